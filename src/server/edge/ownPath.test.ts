import { expect, test } from 'vitest'
import { ownPath } from './ownPath'

test.each([
  ['/', '/'],
  ['/jobs/u1/bench?c=journal', '/jobs/u1/bench?c=journal'],
  ['//host', '/'],
  ['/\\host', '/'],
  ['/\t/host', '/'],
  ['/\n/host/x', '/'],
  ['/.//host', '/'],
  ['/a/..//host', '/'],
  ['https://host/', '/'],
  ['javascript:alert(1)', '/'],
  ['', '/'],
  ['/api/jobs', '/'],
  ['/%2f/host', '/%2f/host'],
])('%j → %s', (next, path) => {
  expect(ownPath(next)).toBe(path)
  // And what a browser makes of it stays on this host.
  expect(new URL(ownPath(next), 'http://here.example').host).toBe('here.example')
})
