import { expect, test } from 'vitest'
import { assemblies } from '../core/kit/assemblies'
import { assemblySketches } from './assemblySketch'

test('every assembly of the kit has its drawing, and no two are alike', () => {
  expect(Object.keys(assemblySketches).toSorted()).toEqual(assemblies.map(({ id }) => id).toSorted())
  expect(new Set(Object.values(assemblySketches).map(({ ink, cut }) => ink + cut)).size).toBe(assemblies.length)
})
