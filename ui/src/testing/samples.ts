import type { Schemas } from '../api/client';

/** Invented documents as the server gives them; each can be changed in part. */
export const job = (changed: Partial<Schemas['JobView']> = {}): Schemas['JobView'] => ({
  id: 'job',
  name: 'Kite days',
  createdAt: '2026-11-20T09:00:00Z',
  pictures: 2,
  unusable: 0,
  tickets: 1,
  strip: [],
  target: { kind: 'DELIVERIES', root: null, path: null },
  ...changed,
});

export const ticketDocument: Schemas['TicketDocument'] = {
  schemaVersion: 5,
  name: 'Prints 8 × 10',
  unit: 'IN',
  size: { kind: 'paper', width: { value: 8, unit: 'IN' }, height: { value: 10, unit: 'IN' } },
  turn: 'SUIT',
  fit: { kind: 'fill', paper: '#FFFFFF' },
  edges: { kind: 'none' },
  ppi: 300,
  viewing: 'HAND',
  resampling: { method: 'BY_ITSELF', light: 'ENCODED', ringing: 'FREE' },
  sharpening: { kind: 'none' },
  colour: { kind: 'convert', profile: { digest: 's', model: 'RGB' }, intent: 'RELATIVE', blackPoint: 'COMPENSATED' },
  rounding: 'NEAREST',
  file: { kind: 'jpeg', quality: 95, chroma: 'FULL', mostBytes: null },
  names: [{ kind: 'original' }, { kind: 'size' }],
  copies: 1,
  letters: 'AS_IT_IS',
  subfolders: 'FLATTENED',
  folder: 'prints-8x10',
  attempt: 1,
};

export const ticket = (changed: Partial<Schemas['TicketDocument']> = {}): Schemas['TicketView'] => ({
  id: 'ticket',
  jobId: 'job',
  version: 0,
  isOn: true,
  document: { ...ticketDocument, ...changed },
});

export const profile = (changed: Partial<Schemas['ProfileView']> = {}): Schemas['ProfileView'] => ({
  digest: 's',
  title: 'sRGB',
  name: 'sRGB',
  words: '',
  origin: 'SHIPPED',
  version: '2.4',
  purpose: 'DISPLAY',
  model: 'RGB',
  use: 'SOURCE_AND_TARGET',
  tables: [],
  white: { l: 100, a: 0, b: 0 },
  black: { l: 0, a: 0, b: 0 },
  alike: null,
  bytes: 500,
  ...changed,
});

export const original = (id: string, changed: Partial<Schemas['OriginalView']> = {}): Schemas['OriginalView'] => ({
  id,
  path: `${id}.jpg`,
  inPlace: null,
  derivedFrom: null,
  digest: id.padEnd(64, '0'),
  fileBytes: 2_000_000,
  state: 'SOUND',
  leftOut: false,
  title: null,
  creator: null,
  taken: null,
  metadataDamaged: false,
  printedDamaged: false,
  forPieces: true,
  statedPpi: null,
  facts: {
    kind: 'JPEG',
    width: 6000,
    height: 4000,
    bitsPerChannel: 8,
    model: 'RGB',
    orientation: 1,
    ppiAcross: 300,
    ppiDown: 300,
    profile: 'sRGB',
    profileDigest: 's'.repeat(64),
    profileOrigin: 'EMBEDDED',
    remarks: [],
    seeThrough: false,
    firstOfSeveral: false,
    unpackedBytes: 72_000_000,
  },
  ...changed,
});

export const broken = (id: string): Schemas['OriginalView'] =>
  original(id, {
    state: 'BROKEN',
    forPieces: false,
    facts: undefined,
    problem: { code: 'cut-off', subject: 'picture', text: 'ends in the middle', remedy: 'Add an intact copy.' },
  });

export const pictureEstimate = (originalId: string, changed: Partial<Schemas['PictureEstimate']> = {}): Schemas['PictureEstimate'] => ({
  originalId,
  name: `${originalId}_8x10.jpg`,
  width: 2400,
  height: 3000,
  expectedFileBytes: 4_000_000,
  unpackedBytes: 21_600_000,
  realPpi: 480,
  verdict: 'FINE',
  notices: [],
  problems: [],
  held: null,
  ...changed,
});

export const estimate = (...pictures: Schemas['PictureEstimate'][]): Schemas['EstimateView'] => ({
  pictures,
  shapeKey: '4:5',
  nameNotices: [],
  nameProblems: [],
});

export const run = (changed: Partial<Schemas['RunView']> = {}): Schemas['RunView'] => ({
  id: 'run',
  jobId: 'job',
  ticketId: 'ticket',
  ticketName: 'Prints 8 × 10',
  folder: 'Kite days/prints-8x10',
  orders: [
    { id: 'order', ticketId: 'ticket', ticketName: 'Prints 8 × 10', folder: changed.folder ?? 'Kite days/prints-8x10' },
  ],
  state: 'FINISHED',
  startedAt: '2026-11-20T10:00:00Z',
  finishedAt: '2026-11-20T10:05:00Z',
  piecesPerMinute: 12,
  secondsLeft: null,
  fileBytes: 0,
  counts: { all: 2, checked: 2, failed: 0, making: 0, waiting: 0, stopped: 0 },
  ...changed,
});

export const piece = (id: string, changed: Partial<Schemas['PieceView']> = {}): Schemas['PieceView'] => ({
  id,
  orderId: 'order',
  originalId: id,
  originalPath: `${id}.jpg`,
  name: `${id}_8x10.jpg`,
  copies: 1,
  position: 0,
  state: 'CHECKED',
  checking: false,
  strip: 0,
  strips: 0,
  width: 2400,
  height: 3000,
  digest: 'd'.repeat(64),
  fileBytes: 4_000_000,
  ...changed,
});

export const delivered = (id: string, changed: Partial<Schemas['DeliveredPiece']> = {}): Schemas['DeliveredPiece'] => ({
  pieceId: id,
  orderId: 'order',
  originalId: id,
  originalPath: `${id}.jpg`,
  name: `${id}_8x10.jpg`,
  copies: 1,
  state: 'CHECKED',
  onDisk: 'PRESENT',
  width: 2400,
  height: 3000,
  ppi: 300,
  fileBytes: 4_000_000,
  sha256: 'd'.repeat(64),
  haloPercent: null,
  jpegQuality: null,
  haloNoticed: false,
  problem: null,
  ...changed,
});

export const delivery = (...pieces: Schemas['DeliveredPiece'][]): Schemas['DeliveryView'] => ({
  runId: 'run',
  jobId: 'job',
  ticketName: 'Prints 8 × 10',
  folder: 'Kite days/prints-8x10',
  place: '/deliveries/Kite days/prints-8x10',
  startedAt: '2026-11-20T10:00:00Z',
  finishedAt: '2026-11-20T10:05:00Z',
  isForBooks: false,
  orders: [
    {
      id: 'order',
      ticketName: 'Prints 8 × 10',
      folder: 'Kite days/prints-8x10',
      place: '/deliveries/Kite days/prints-8x10',
      isForBooks: false,
    },
  ],
  pieces,
});

/** What every page of a job asks for, of a job with these originals, each with its estimate. */
export const jobAnswers = (...originals: Schemas['OriginalView'][]) => ({
  'GET /jobs': [job()],
  'GET /jobs/job': job({ pictures: originals.length }),
  'GET /jobs/job/originals': originals,
  'GET /jobs/job/tickets': [ticket()],
  'GET /jobs/job/runs': [] as Schemas['RunView'][],
  'GET /jobs/job/folders': [] as Schemas['FolderView'][],
  'GET /jobs/job/framings': [] as Schemas['FramingView'][],
  'GET /jobs/job/edits': {},
  'GET /tickets/ticket/overrides': [] as Schemas['OverrideView'][],
  'POST /jobs/job/estimate': estimate(...originals.filter(({ forPieces }) => forPieces).map(({ id }) => pictureEstimate(id))),
  'GET /profiles': [profile()],
  'GET /jobs/job/assumed-profiles': {},
});

/** An 8 × 10 of a picture of 6000 × 4000: its middle, nothing beside it. */
export const plan = (changed: Partial<Schemas['PlanNumbers']> = {}): Schemas['PlanNumbers'] => ({
  width: 3000,
  height: 2400,
  markedPpi: 300,
  realPpi: 500,
  ppiNeeded: 300,
  bitsPerChannel: 8,
  verdict: 'FINE',
  shapeKey: '4:5',
  corners: 'COVERED',
  bareShare: 0,
  grows: false,
  lostShare: 0.17,
  expectedFileBytes: 4_000_000,
  unpackedBytes: 21_600_000,
  fineWidthInches: 16.7,
  fineHeightInches: 13.3,
  limits: [],
  handling: { moves: 'PICTURE', scaling: 'TIGHTENS', corners: 'FRAMING', size: 'PAPER' },
  picture: { x: 0, y: 0, width: 3000, height: 2400 },
  resampling: { keepsPixels: false, method: 'LANCZOS3', light: 'ENCODED', ringing: 'FREE' },
  frame: {
    centreX: 3000,
    centreY: 2000,
    width: 5000,
    height: 4000,
    scale: 1.6667,
    seenWidth: 6000,
    seenHeight: 4000,
    tiltDegrees: 0,
    travelX: 1000,
    travelY: 0,
  },
  edges: {
    bands: { left: 0, top: 0, right: 0, foot: 0 },
    bar: { left: 0, top: 0, right: 0, foot: 0 },
    rim: 'TRIM',
    safe: 0,
    sheet: { x: 0, y: 0, width: 3000, height: 2400 },
  },
  ...changed,
});
