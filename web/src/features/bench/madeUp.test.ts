import type { Bench, BenchSections, Step } from '@/shared/state/benchPage'

/** A bench page's data for tests of its parts; made up, small, complete. */
export function testBench(more: Partial<Bench> = {}): Bench {
  return {
    id: 7,
    tag: 417,
    version: 5,
    machineId: 3,
    modelId: 'marram-quartet-a4',
    machine: 'Marram Quartet A4',
    kind: 'tank, piezo',
    serial: 'S-1',
    customer: 'Kite Loft',
    complaint: 'Fades under load',
    words: 'The second fades.',
    tried: '',
    ink: 'maker',
    idleWeeks: 0,
    moved: true,
    paper: 'plain',
    warrantyEnd: null,
    inWarranty: false,
    promise: null,
    accessories: '',
    place: 2,
    standing: 'hands',
    waitsFor: '',
    waitsWhat: '',
    counterPct: null,
    now: '2026-03-02T09:00:00Z',
    stations: [testStation('vent', 0.6, true), testStation('line', 0.3)],
    slots: [],
    codes: [],
    machineCautions: [],
    advice: {
      kind: 'find',
      step: testStep(),
      because: 'Splits what is left.',
      expectedCost: 30,
      others: [testStep({ id: 'line-look', name: 'Look along the line' })],
      word: null,
    },
    evidence: [],
    unknownRatio: 0.1,
    fixedRatio: 0,
    held: [],
    tray: [],
    clocks: [],
    spent: { minutes: 12, parts: 0, inkMl: 0, labour: 8.4, currency: 'GBP', limit: null },
    entries: [],
    proved: false,
    closedHow: null,
    closedReason: '',
    handedOver: false,
    thread: 0,
    threads: [{ id: 0, complaint: 'Fades under load', slot: 0, ink: '', words: 'The second fades.', how: '' }],
    threadOpen: true,
    contradicted: false,
    feed: null,
    schools: [],
    endable: [],
    bookNote: '',
    measured: 0,
    presets: [
      { kind: 'settle', minutes: 10 },
      { kind: 'dry', minutes: 20 },
    ],
    clockKinds: ['settle', 'dry', 'other'],
    known: [],
    doubts: [],
    sections: {} as BenchSections,
    ...more,
  }
}

/** The same as the server sends it: all of it in one section, since the page lays them side by side. */
export function testSections(more: Partial<Bench> = {}) {
  return { job: testBench(more), machine: {}, diagnosis: {}, stripDown: {}, ink: { feed: null }, record: {} }
}

/** A station of the path map. */
export function testStation(id: string, suspicionRatio: number, leading = false, cleared = false) {
  return { id, name: id, path: 'ink', suspicionRatio, cleared, leading, confirmed: false, causes: 2 }
}

/** A step: by default a test with two answers, the second with a number. */
export function testStep(more: Partial<Step> = {}): Step {
  const outcome = {
    chanceRatio: 0.5,
    leaves: 'vent 80 %',
    quantityLabel: null,
    quantityUnit: null,
    quantityMin: null,
    quantityMax: null,
    withCoverage: false,
    quantityNeeded: false,
  }
  return {
    id: 'draw-test',
    kind: 'test',
    name: 'Draw 5 ml',
    station: 'damper',
    minutes: 4,
    parts: 0,
    part: '',
    inkMl: 0,
    counterPct: 0,
    how: '',
    cautions: ['Gloves on.'],
    steps: [],
    opens: ['top cover open'],
    outcomes: [
      { ...outcome, id: 'free', label: 'Flows freely' },
      {
        ...outcome,
        id: 'hard',
        label: 'Pulls hard',
        quantityLabel: 'Drawn',
        quantityUnit: 'ml',
        quantityMin: 0,
        quantityMax: 20,
      },
    ],
    fixRatio: null,
    expected: 30,
    held: null,
    told: false,
    partMissing: false,
    school: '',
    tellsNothing: false,
    showsSlots: false,
    ...more,
  }
}
