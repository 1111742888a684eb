import { bare, cellsRow, SIDED, textCell, type SheetDef, type SheetSection } from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { mendings } from '../figures/strains';
import { clampDecision } from '../decisions';
import { linkSizes, pairLoads } from '../figures/links';
import { clamps, clampThread, flip, wheelbase } from '../figures/perches';
import { LINK_NAMES, SIDE_NAMES, SPRING_SIDE_NAMES } from '../names';
import type { Reads } from '../node';
import type { Pen } from '../../../stage';

const REACH = { unsaid: 'not looked', yes: 'yes', no: 'NO' } as const;

function clampRows(r: Reads, { print, fine }: Pen): SheetSection {
  const all = r.of(clamps);
  const both = (what: 'arc' | 'leg' | 'developed' | 'legs') => [fine(all.left[what]), fine(all.right[what])];
  return {
    title: `U-bolts, ${r.choice('boltBend')} bend, two each side`,
    columns: SIDED,
    rows: [
      cellsRow('Bolt', 'shank', [print(r.figure('clamp.bolt')), print(r.figure('clamp.bolt'))]),
      cellsRow('Middle to middle of the legs', '', both('legs')),
      cellsRow('Leg from the tube’s centre', 'plate, nut and thread included', both('leg')),
      cellsRow('Over the tube', 'along the middle of the bolt', both('arc')),
      cellsRow('Straight bar', 'before it is bent', both('developed')),
      cellsRow('Thread on each leg, at least', 'through the plate, nut, and what stands out', [
        fine(r.of(clampThread)),
        fine(r.of(clampThread)),
      ]),
    ],
  };
}

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const { print } = pen;
  const links = r.of(linkSizes);
  const loads = r.of(pairLoads);
  const turned = r.of(flip);
  return [
    {
      title: 'Links',
      columns: ['eye to eye', 'tube to cut', 'thread inside'],
      rows: links.map((l) =>
        cellsRow(l.link.name, `${LINK_NAMES[l.link.kind]}, ${SIDE_NAMES[l.link.side]}`, [
          print(bare(l.link.eyes)),
          print(l.tube),
          print(l.inside),
        ]),
      ),
    },
    {
      title: 'Their adjusters',
      columns: ['thread over diameter', 'longer by', 'shorter by'],
      rows: links.map((l) =>
        cellsRow(l.link.name, `a spanner gets at its lock nut on the ground: ${REACH[l.link.reach]}`, [
          print(l.engaged),
          print(l.longer),
          print(l.shorter),
        ]),
      ),
    },
    {
      title: 'Loads until the suspension’s motion is known',
      columns: ['both sides'],
      rows: links.length
        ? [
            cellsRow('Push of the tyres', 'at their limit, by the brief', [print(loads.thrust)]),
            cellsRow('Lower links', '', [print(loads.lower)]),
            cellsRow('Upper links', '', [print(loads.upper)]),
          ]
        : [],
    },
    {
      title: 'Bolts and holes',
      columns: ['bolt', 'hole', 'what to do'],
      rows: Object.entries(r.part('boltJoints')).map(([id, j]) =>
        cellsRow(j.name, '', [print(bare(j.bolt)), print(bare(j.hole)), textCell(r.of(mendings)[id])]),
      ),
    },
    clampRows(r, pen),
    {
      title: 'Springs',
      columns: ['Value'],
      rows: [
        cellsRow('Springs by now', '', [textCell(SPRING_SIDE_NAMES[r.choice('springsNow')])]),
        cellsRow('Springs as wanted', '', [textCell(SPRING_SIDE_NAMES[r.choice('springsWanted')])]),
        ...(turned
          ? [
              cellsRow('Car comes down by', 'minus where it rises', [print(turned.drop)]),
              cellsRow('Bump travel left', '', [print(turned.bumpLeft)]),
            ]
          : []),
        cellsRow('Wheelbase', 'with the axle moved in the plate’s holes', [
          print(r.of(wheelbase) ?? r.figure('brief.wheelbase')),
        ]),
      ],
    },
  ];
}

/** Links, bolts and U-bolts, as they are bought or made. */
export const linksSheet: SheetDef<Reads> = {
  id: 'links',
  title: 'Links and bolts',
  address: 'links-and-bolts',
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
  ],
  sections,
  checks: ['brackets'],
  decisions: [clampDecision],
  cautions: [
    'New U-bolts and nuts, never used ones; torque with a wrench and again after the first drive.',
    ...CAUTIONS,
  ],
};
