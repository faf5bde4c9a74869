/** Which view stands at an address: outside a job by its first word, inside one by the word after the job's id. */
export const OUTSIDE = { '': 'Shelf', drawer: 'Drawer', workshop: 'Workshop', new: 'NewMachine' } as const;
export const OF_A_JOB = {
  '': 'Bench',
  bench: 'Bench',
  section: 'Section',
  builds: 'DryBuilds',
  wear: 'WearBook',
  limits: 'Limits',
  strip: 'StripLog',
  'ask/:stationId': 'AskSheet',
  sheet: 'MeasuringSheet',
  labels: 'BagLabels',
  make: 'MakeAndFit',
  fit: 'Fit',
  drag: 'Drag',
  fasteners: 'Fasteners',
  bearings: 'Bearings',
  record: 'Record',
  add: 'NewMachine',
  boxes: 'Boxes',
} as const;

/** Around every view of a job. */
export const SHELL = 'JobShell';

export type AddressedView = (typeof OUTSIDE)[keyof typeof OUTSIDE] | (typeof OF_A_JOB)[keyof typeof OF_A_JOB] | typeof SHELL;

const at = (views: Readonly<Record<string, AddressedView>>, word: string): readonly AddressedView[] =>
  Object.entries(views).flatMap(([path, view]) => (path.split('/')[0] === word ? [view] : []));

/** The views that an address is made of, outermost first; none where it is nobody's. */
export function viewsAt(address: string): readonly AddressedView[] {
  const [, first = '', , view = ''] = address.split('/');
  return first === 'jobs' ? [SHELL, ...at(OF_A_JOB, view)] : at(OUTSIDE, first);
}
