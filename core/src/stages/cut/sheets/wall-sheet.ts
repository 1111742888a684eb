import { cellsRow, row, SIDED, type Pen, type SheetDef, type SheetSection } from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { cutDecision, marksDecision } from '../decisions';
import { marks as allMarks } from '../figures/marks';
import { school } from '../figures/schools';
import { stand } from '../figures/stand';
import { DATUM_NAMES, METHOD_NAMES, SCHOOL_NAMES } from '../names';
import { markDatum } from '../mark-places';
import type { Reads } from '../node';

/** What is cut by, at arm’s length: marks, slug, and the four sizes that are measured before going on. */
function sections(r: Reads, { print }: Pen): readonly SheetSection[] {
  const { marks } = r.of(allMarks);
  const now = r.of(stand);
  const plan = r.of(school);
  const end = r.choice('method') === 'endOff';
  return [
    {
      title: 'Saw',
      columns: SIDED,
      rows: [
        row(end ? 'Cut here' : 'First mark', 'blade outboard of it', (s) => print(marks[s]?.inner.fromDatum)),
        row(end ? 'End off' : 'Second mark', 'blade inboard of it', (s) => print(marks[s]?.outer.fromDatum)),
        row('Slug', 'falls out', (s) => print(marks[s]?.slug)),
      ],
    },
    {
      title: 'Four checks, before going on',
      columns: SIDED,
      rows: [
        row('1 Tube', 'as donor, before the saw', (s) => print(r.figure(`donor.tube.${s}`))),
        row('2 Slug', 'measured loose', (s) => print(marks[s]?.slug)),
        row('3 Tube', 'tacked', (s) => print(marks[s]?.tubeTacked)),
        row('4 Tube', 'welded, cold', (s) => print(now.tube[s] ?? marks[s]?.tubeWelded)),
      ],
    },
    {
      title: 'Ends at',
      columns: ['Wheel face to wheel face'],
      rows: [cellsRow('WMS width', '', [print(now.width ?? plan?.width)])],
    },
  ];
}

/** The sheet that hangs over the bench while the saw runs. */
export const wallSheet: SheetDef<Reads> = {
  id: 'wall',
  title: 'Wall sheet',
  address: 'wall-sheet',
  bench: true,
  wall: 'the cut sheet',
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Way', `${SCHOOL_NAMES[r.choice('school')]}, ${METHOD_NAMES[r.choice('method')].toLowerCase()}`],
    ['Marks from', DATUM_NAMES[markDatum(r.choice('method'), r.choice('datum'))]],
  ],
  sections,
  checks: ['cut'],
  decisions: [cutDecision, marksDecision],
  cautions: CAUTIONS,
};
