import { actuator } from './assemblies/actuator'
import { adjustablePair } from './assemblies/adjustablePair'
import { boltedJoint } from './assemblies/boltedJoint'
import { connectingRod } from './assemblies/connectingRod'
import { couplingOrBelt } from './assemblies/couplingOrBelt'
import { crankshaftLine } from './assemblies/crankshaftLine'
import { cylinderPistonRings } from './assemblies/cylinderPistonRings'
import { drillingTool } from './assemblies/drillingTool'
import { faceSeal } from './assemblies/faceSeal'
import { flexibleJoint } from './assemblies/flexibleJoint'
import { frameAndFeet } from './assemblies/frameAndFeet'
import { frictionStack } from './assemblies/frictionStack'
import { gearCase } from './assemblies/gearCase'
import { gearPair } from './assemblies/gearPair'
import { generalPart } from './assemblies/generalPart'
import { impeller } from './assemblies/impeller'
import { injectorOrRelief } from './assemblies/injectorOrRelief'
import { lift } from './assemblies/lift'
import { lipOrPackedSeal } from './assemblies/lipOrPackedSeal'
import { numberedElements } from './assemblies/numberedElements'
import { rodGland } from './assemblies/rodGland'
import { rollingBearingSeat } from './assemblies/rollingBearingSeat'
import { rotorInCasing } from './assemblies/rotorInCasing'
import { shaftAssembly } from './assemblies/shaftAssembly'
import { solidBush } from './assemblies/solidBush'
import { splitSleeveBearing } from './assemblies/splitSleeveBearing'
import { twinRotors } from './assemblies/twinRotors'
import { valveAndSpring } from './assemblies/valveAndSpring'
import type { Assembly } from './assembly'

/** Every assembly of the kit, the most used first. One more is a module in `assemblies` and a line here. */
export const assemblies: readonly Assembly[] = [
  splitSleeveBearing,
  solidBush,
  rollingBearingSeat,
  adjustablePair,
  cylinderPistonRings,
  rodGland,
  connectingRod,
  crankshaftLine,
  shaftAssembly,
  rotorInCasing,
  twinRotors,
  gearPair,
  gearCase,
  frictionStack,
  couplingOrBelt,
  frameAndFeet,
  faceSeal,
  lipOrPackedSeal,
  impeller,
  valveAndSpring,
  injectorOrRelief,
  drillingTool,
  actuator,
  boltedJoint,
  flexibleJoint,
  numberedElements,
  lift,
  generalPart,
]
