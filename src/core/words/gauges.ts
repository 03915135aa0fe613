import type { GaugeKind } from '../gauge/gaugeKinds'
import type { GaugeFault } from '../gauge/typedGauge'
import { quantityFaultWords } from './quantities'

export const gaugeKindName: Readonly<Record<GaugeKind, string>> = {
  outsideMicrometer: 'Outside micrometer',
  insideMicrometer: 'Inside micrometer',
  boreGauge: 'Bore gauge',
  depthGauge: 'Depth gauge',
  caliper: 'Caliper',
  rule: 'Rule',
  stripScale: 'Strip with its printed scale',
  feeler: 'Feeler gauges',
  dial: 'Dial indicator',
  torqueWrench: 'Torque wrench',
  protractor: 'Protractor',
  springTester: 'Spring tester',
  testPump: 'Test pump with gauge',
  thermometer: 'Thermometer',
  balance: 'Balance',
  insulationTester: 'Insulation tester',
  hardnessTester: 'Hardness tester',
  vibrationMeter: 'Vibration meter',
  flowMeter: 'Flow meter',
  stopwatch: 'Stopwatch',
  eye: 'By eye',
}

/** Why a field of a gauge cannot be used. */
export function gaugeFaultWords(fault: GaugeFault): string {
  switch (fault.code) {
    case 'eyeIsNoGauge':
      return 'The eye is not a gauge in the store.'
    case 'figure':
      return quantityFaultWords(fault.why)
    case 'tooLarge':
      return `“${fault.text}” is larger than any step or error of a gauge. Check the unit.`
    case 'empty':
      return fault.field === 'code' ? 'Type the code that is on the gauge.' : 'Name the gauge.'
    case 'notPositive':
      return {
        resolution: 'The step must be more than zero.',
        repeatability: 'The spread of its repeats must be more than zero; leave it empty where it is not known.',
        expanded: 'The uncertainty of the calibration must be more than zero.',
      }[fault.field]
    case 'signed':
      return 'The permissible error is typed without its sign.'
    case 'oneEnd':
      return 'A range has two ends; leave both out where it is not known.'
    case 'endsSwapped':
      return 'The range ends before it begins.'
    case 'coverage':
      return 'The coverage factor is between 1 and 4, most often 2.'
    case 'expansion':
      return 'Type the expansion in µm per metre and kelvin: steel has about 11.5.'
    case 'pairs':
      return `“${fault.text}” is not understood: type indicated value = error, with semicolons between.`
    case 'tooMany':
      return `At most ${fault.most} points are kept; leave some out.`
    case 'twice':
      return `The error at ${fault.at} is given twice.`
  }
}
