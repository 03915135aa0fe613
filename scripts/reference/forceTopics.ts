/** Temperature, springs, torque: how the vectors are put to the core. Field names are those of the files. */
import { z } from 'zod'
import { heatingTemperatureC, sizeAt20, thermalGrowthMm } from '../../src/core/gauge/temperature'
import type { MethodOf } from '../../src/core/method/method'
import { reduceReadings } from '../../src/core/method/reduce/reduce'
import { exceeds } from '../../src/core/quantity/decimal'
import { percentOf, preloadKN, torqueAtNutFactorNm, wrenchSettingNm } from '../../src/core/tightening/torque'

import { figureOf, takenAt, topic } from './topic'

export const temperature = topic(
  z.discriminatedUnion('calculation', [
    z.object({
      calculation: z.literal('length_at_20C'),
      indicated_length_mm: z.number(),
      part_temperature_C: z.number(),
      part_expansion_per_K: z.number(),
      instrument_temperature_C: z.number(),
      instrument_expansion_per_K: z.number(),
    }),
    z.object({
      calculation: z.literal('thermal_growth'),
      length_at_20C_mm: z.number(),
      expansion_per_K: z.number(),
      from_temperature_C: z.number(),
      to_temperature_C: z.number(),
    }),
    z.object({
      calculation: z.literal('heating_temperature'),
      bore_diameter_mm: z.number(),
      interference_mm: z.number(),
      handling_clearance_mm: z.number(),
      expansion_per_K: z.number(),
      ambient_temperature_C: z.number(),
    }),
  ]),
  (input) => {
    switch (input.calculation) {
      case 'length_at_20C': {
        const length = sizeAt20(input.indicated_length_mm, {
          partC: input.part_temperature_C,
          partPerK: input.part_expansion_per_K,
          scaleC: input.instrument_temperature_C,
          scalePerK: input.instrument_expansion_per_K,
        })
        return { length_at_20C_mm: length, correction_mm: length - input.indicated_length_mm }
      }
      case 'thermal_growth':
        return {
          growth_mm: thermalGrowthMm(
            input.length_at_20C_mm,
            input.expansion_per_K,
            input.from_temperature_C,
            input.to_temperature_C,
          ),
        }
      case 'heating_temperature': {
        const { ambient_temperature_C: ambient } = input
        const heat = heatingTemperatureC(
          ambient,
          input.interference_mm,
          input.handling_clearance_mm,
          input.expansion_per_K,
          input.bore_diameter_mm,
        )
        return { heating_temperature_C: heat, temperature_rise_K: heat - ambient }
      }
    }
  },
)

export const spring = topic(
  z.object({
    length_1_mm: z.number(),
    load_1_N: z.number(),
    length_2_mm: z.number(),
    load_2_N: z.number(),
    check_length_mm: z.number(),
    new_load_at_check_length_N: z.number(),
  }),
  (input) => {
    const [longer, shorter] =
      input.length_1_mm > input.length_2_mm
        ? [
            { mm: input.length_1_mm, n: input.load_1_N },
            { mm: input.length_2_mm, n: input.load_2_N },
          ]
        : [
            { mm: input.length_2_mm, n: input.load_2_N },
            { mm: input.length_1_mm, n: input.load_1_N },
          ]
    const method: MethodOf<'spring'> = {
      kind: 'spring',
      longerMm: longer.mm,
      shorterMm: shorter.mm,
      workingMm: input.check_length_mm,
      newLoadN: input.new_load_at_check_length_N,
      repeatsAtLeast: 1,
      repeatabilityLimit: null,
    }
    const loads = new Map([
      ['L1/-/1', longer.n],
      ['L2/-/1', shorter.n],
    ])
    const reductions = reduceReadings(method, takenAt(method, loads), { nominal: null, runsIn: null })
    const rate = figureOf(reductions, 'springRate')
    return {
      rate_N_per_mm: rate,
      // Where the line carries nothing.
      free_length_mm: rate === null ? null : longer.mm + longer.n / rate,
      load_at_check_length_N: figureOf(reductions, 'loadAtWorking'),
      loss_percent: figureOf(reductions, 'loadLoss'),
    }
  },
)

export const torque = topic(
  z.discriminatedUnion('calculation', [
    z.object({
      calculation: z.literal('extension'),
      required_torque_Nm: z.number(),
      wrench_length_mm: z.number(),
      extension_length_mm: z.number(),
    }),
    z.object({
      calculation: z.literal('friction_change'),
      dry_torque_Nm: z.number(),
      nut_factor_dry: z.number(),
      nut_factor_oiled: z.number(),
      thread_diameter_mm: z.number(),
    }),
    z.object({
      calculation: z.literal('breakaway'),
      installation_torque_Nm: z.number(),
      breakaway_torques_Nm: z.array(z.number()),
      minimum_percent: z.number(),
    }),
  ]),
  (input) => {
    switch (input.calculation) {
      case 'extension':
        return { wrench_setting_Nm: wrenchSettingNm(input.required_torque_Nm, input.wrench_length_mm, input.extension_length_mm) }
      case 'friction_change': {
        const oiled = torqueAtNutFactorNm(input.dry_torque_Nm, input.nut_factor_dry, input.nut_factor_oiled)
        return {
          oiled_torque_Nm: oiled,
          reduction_percent: 100 - percentOf(oiled, input.dry_torque_Nm),
          preload_kN: preloadKN(input.dry_torque_Nm, input.nut_factor_dry, input.thread_diameter_mm),
        }
      }
      case 'breakaway': {
        const percents = input.breakaway_torques_Nm.map((torqueNm) => percentOf(torqueNm, input.installation_torque_Nm))
        const lowest = Math.min(...percents)
        const loose = percents.filter((percent) => exceeds(input.minimum_percent, percent))
        return {
          percent_of_installation: percents,
          lowest_percent: lowest,
          loss_of_lowest_percent: 100 - lowest,
          count_below_minimum: loose.length,
          verdict: loose.length === 0 ? 'ok' : 'loose',
        }
      }
    }
  },
)
