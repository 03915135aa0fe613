import { expect, test } from 'vitest'
import { canonicalJson, sha256 } from './canonical'

test('RFC 8785, section 3.2.2: the worked example', () => {
  const value = JSON.parse(
    String.raw`{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\u20ac$\u000F\u000aA'\u0042\u0022\u005c\\\"\/","literals":[null,true,false]}`,
  )
  expect(canonicalJson(value)).toBe(
    String.raw`{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}`,
  )
})

test('the order of keys does not matter, the order of lists does', () => {
  expect(canonicalJson({ b: 1, a: { d: 2, c: 3 } })).toBe(canonicalJson({ a: { c: 3, d: 2 }, b: 1 }))
  expect(canonicalJson([1, 2])).not.toBe(canonicalJson([2, 1]))
})

test('FIPS 180-4: SHA-256 of “abc”', () => {
  expect(sha256('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad')
})
