/** A small drawing of each assembly of the kit, in a field of 140 × 90: what is cut is hatched, centre lines run thin. */
export interface AssemblySketch {
  /** Outlines of what is cut. */
  readonly cut: string
  /** Outlines of the rest. */
  readonly ink: string
  /** Centre lines. */
  readonly axis: string
}

const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`
const box = (x: number, y: number, w: number, h: number): string => `M${x} ${y}h${w}v${h}h${-w}Z`
const across = (y: number, from = 8, to = 132): string => `M${from} ${y}H${to}`
const down = (x: number, from = 8, to = 82): string => `M${x} ${from}V${to}`
const zigzag = (x: number, y: number, w: number, h: number, turns: number): string =>
  `M${x} ${y}${Array.from({ length: turns }, (_, at) => `L${x + (w * (at + 1)) / turns} ${at % 2 === 0 ? y - h : y}`).join('')}`

/** Teeth around a circle. */
function wheel(x: number, y: number, r: number, teeth: number): string {
  const points = Array.from({ length: teeth * 4 }, (_, at) => {
    const angle = (2 * Math.PI * (at - 0.5)) / (teeth * 4)
    const radius = at % 4 === 1 || at % 4 === 2 ? r + 4 : r
    return `${(x + radius * Math.cos(angle)).toFixed(1)} ${(y + radius * Math.sin(angle)).toFixed(1)}`
  })
  return `M${points.join('L')}Z`
}

const shaft = (y: number, half: number): string => box(18, y - half, 104, 2 * half)

/** By the id of the assembly. */
export const assemblySketches: Readonly<Record<string, AssemblySketch>> = {
  splitSleeveBearing: {
    cut: `${box(40, 12, 60, 66)}${circle(70, 45, 24)}`,
    ink: `${circle(70, 45, 18)}M30 45H46M94 45H110M34 41V49M106 41V49`,
    axis: across(45, 24, 116) + down(70),
  },
  solidBush: {
    cut: box(34, 14, 72, 18) + box(34, 58, 72, 18),
    ink: `${box(34, 32, 72, 7)}${box(34, 51, 72, 7)}M70 14V39`,
    axis: across(45),
  },
  rollingBearingSeat: {
    cut: box(56, 12, 28, 14) + box(56, 64, 28, 14),
    ink: `${box(56, 26, 28, 8)}${box(56, 56, 28, 8)}${circle(70, 30, 6)}${circle(70, 60, 6)}M14 38H56V34H84V38H126V52H84V56H56V52H14Z`,
    axis: across(45, 6, 134),
  },
  adjustablePair: {
    cut: `M24 18h18l-8 16h-10ZM116 18h-18l8 16h10ZM24 72h18l-8 -16h-10ZM116 72h-18l8 -16h10Z`,
    ink: `${circle(42, 32, 5)}${circle(98, 32, 5)}${circle(42, 58, 5)}${circle(98, 58, 5)}${shaft(45, 6)}`,
    axis: across(45),
  },
  cylinderPistonRings: {
    cut: box(38, 8, 14, 74) + box(88, 8, 14, 74),
    ink: `${box(54, 26, 32, 44)}M54 33H86M54 39H86M54 45H86${circle(70, 58, 6)}`,
    axis: down(70, 4, 86),
  },
  rodGland: {
    cut: `${box(40, 12, 60, 22)}${box(40, 56, 60, 22)}`,
    ink: `${shaft(45, 8)}${box(50, 24, 10, 13)}${box(66, 24, 10, 13)}${box(82, 24, 10, 13)}${box(50, 53, 10, 13)}${box(66, 53, 10, 13)}${box(82, 53, 10, 13)}`,
    axis: across(45),
  },
  connectingRod: {
    cut: '',
    ink: `${circle(36, 45, 24)}${circle(36, 45, 15)}M36 21V4M36 69V86M58 36L104 40M58 54L104 50${circle(114, 45, 12)}${circle(114, 45, 6)}M36 21h0M28 8h16M28 82h16`,
    axis: across(45, 4, 134),
  },
  crankshaftLine: {
    cut: '',
    ink: `${box(10, 50, 22, 14)}${box(32, 22, 9, 48)}${box(41, 22, 20, 14)}${box(61, 22, 9, 48)}${box(70, 50, 16, 14)}${box(86, 22, 9, 48)}${box(95, 22, 20, 14)}${box(115, 22, 9, 48)}`,
    axis: across(57, 4, 136),
  },
  shaftAssembly: {
    cut: '',
    ink: `M10 38H38V30H62V26H90V38H130V52H90V64H62V60H38V52H10Z${box(98, 42, 20, 6)}M38 30V60M62 26V64M90 38V52`,
    axis: across(45, 4, 136),
  },
  rotorInCasing: {
    cut: `M30 8H110V20H96L84 30H56L44 20H30ZM30 82H110V70H96L84 60H56L44 70H30Z`,
    ink: `${shaft(45, 6)}M46 39L50 26H90L94 39M46 51L50 64H90L94 51M60 26V39M80 26V39M60 51V64M80 51V64`,
    axis: across(45),
  },
  twinRotors: {
    cut: '',
    ink: `${box(14, 14, 112, 62)}M52 45C40 18 66 18 62 38C60 46 82 44 78 52C74 72 100 72 88 45C100 18 74 18 78 38${circle(48, 45, 5)}${circle(92, 45, 5)}`,
    axis: across(45, 8, 132),
  },
  gearPair: {
    cut: '',
    ink: `${wheel(50, 45, 27, 18)}${wheel(103, 45, 18, 12)}${circle(50, 45, 8)}${circle(103, 45, 6)}${box(48, 34, 4, 4)}${box(101.5, 36.5, 3, 3)}`,
    axis: `${across(45, 10, 130)}${down(50, 8, 82)}${down(103, 16, 74)}`,
  },
  gearCase: {
    cut: `M18 44V16H122V44H114V24H26V44ZM18 46V76H122V46H114V68H26V46Z`,
    ink: `${box(10, 40, 12, 10)}${box(118, 40, 12, 10)}${circle(50, 45, 10)}${circle(88, 45, 12)}`,
    axis: across(45, 4, 136),
  },
  frictionStack: {
    cut: `${box(44, 14, 7, 62)}${box(60, 14, 7, 62)}${box(76, 14, 7, 62)}`,
    ink: `${box(52, 20, 7, 50)}${box(68, 20, 7, 50)}M34 10V80M92 10V80M92 20L106 34L92 48M106 34V56L92 70`,
    axis: across(45),
  },
  couplingOrBelt: {
    cut: '',
    ink: `${circle(34, 50, 16)}${circle(34, 50, 5)}${circle(100, 42, 28)}${circle(100, 42, 6)}M32 34L96 14M38 65L104 70`,
    axis: `${across(50, 12, 56)}${across(42, 66, 134)}`,
  },
  frameAndFeet: {
    cut: box(12, 72, 116, 10),
    ink: `M40 12H100L116 64H24Z${circle(70, 36, 11)}${box(22, 64, 26, 8)}${box(92, 64, 26, 8)}M35 56V72M105 56V72M29 58H41M99 58H111`,
    axis: down(70, 4, 70),
  },
  faceSeal: {
    cut: `M52 14H66V36H52ZM52 76H66V54H52Z`,
    ink: `${shaft(45, 7)}M68 18H80V36H68ZM68 72H80V54H68Z${zigzag(82, 34, 26, 8, 6)}${zigzag(82, 62, 26, 8, 6)}${box(108, 22, 6, 14)}${box(108, 54, 6, 14)}`,
    axis: across(45),
  },
  lipOrPackedSeal: {
    cut: `${box(40, 8, 60, 14)}${box(40, 68, 60, 14)}`,
    ink: `${shaft(45, 9)}M58 22V32L74 36L62 30V22M82 22V32L98 36L86 30V22M58 68V58L74 54L62 60V68M82 68V58L98 54L86 60V68`,
    axis: across(45),
  },
  impeller: {
    cut: `M34 8H48V22L40 34H34ZM34 82H48V68L40 56H34Z`,
    ink: `M52 12H62C64 30 76 36 92 38V52C76 54 64 60 62 78H52C52 62 46 56 40 52V38C46 34 52 28 52 12ZM92 40H130M92 50H130`,
    axis: across(45, 20, 136),
  },
  valveAndSpring: {
    cut: `M20 62H56L62 74H20ZM120 62H84L78 74H120Z`,
    ink: `M58 74L66 62H74L82 74ZM67 62V10M73 62V10${zigzag(48, 50, 0, 0, 1)}M50 52L90 46L50 38L90 32L50 24L90 18M48 14H92`,
    axis: down(70, 4, 84),
  },
  injectorOrRelief: {
    cut: `M48 8H62V60L66 74H48ZM92 8H78V60L74 74H92Z`,
    ink: `M66 50V64L70 74L74 64V50ZM64 14L76 19L64 24L76 29L64 34L76 39L64 44M66 78L52 86M70 78V88M74 78L88 86`,
    axis: down(70, 4, 90),
  },
  drillingTool: {
    cut: `${box(16, 20, 78, 8)}${box(16, 62, 78, 8)}`,
    ink: `${box(24, 30, 40, 30)}M94 20H112L122 14V76L112 70H94${circle(124, 22, 4)}${circle(124, 36, 4)}${circle(124, 54, 4)}${circle(124, 68, 4)}`,
    axis: across(45, 6, 136),
  },
  actuator: {
    cut: `${box(16, 14, 80, 9)}${box(16, 67, 80, 9)}${box(96, 14, 9, 24)}${box(96, 52, 9, 24)}`,
    ink: `${box(42, 24, 14, 42)}${box(56, 39, 76, 12)}M20 76V84M88 76V84`,
    axis: across(45, 8, 138),
  },
  boltedJoint: {
    cut: `${box(20, 30, 100, 14)}${box(20, 46, 100, 14)}`,
    ink: `${box(63, 16, 14, 58)}M52 30V18H88V30ZM54 60V72H86V60ZM20 45H120`,
    axis: down(70, 4, 86),
  },
  flexibleJoint: {
    cut: '',
    ink: `${box(20, 8, 10, 74)}${box(110, 8, 10, 74)}M30 24Q36 10 42 24T54 24T66 24T78 24T90 24T102 24L110 24M30 66Q36 80 42 66T54 66T66 66T78 66T90 66T102 66L110 66`,
    axis: across(45),
  },
  numberedElements: {
    cut: [16, 40, 64, 88, 112].map((x) => box(x, 50, 14, 22)).join(''),
    ink: `M8 50H132M8 40H132M8 40V50M132 40V50${[16, 40, 64, 88, 112].map((x) => `M${x + 7} 22V34M${x + 3} 26L${x + 7} 22`).join('')}`,
    axis: '',
  },
  lift: {
    cut: '',
    ink: `${box(34, 54, 72, 28)}M42 54L70 22L98 54M70 22V14${circle(70, 10, 5)}${circle(42, 52, 3)}${circle(98, 52, 3)}`,
    axis: down(70, 4, 86),
  },
  generalPart: {
    cut: '',
    ink: `M40 18H84L100 34V66H40Z${circle(64, 44, 10)}M40 76H100M40 72V80M100 72V80`,
    axis: `${across(44, 48, 80)}${down(64, 28, 60)}`,
  },
}
