import { sized } from '../../../measure';
import {
  bare,
  cellsRow,
  textCell,
  type Pen,
  type SheetCell,
  type SheetDef,
  type SheetSection,
} from '../../../stage';
import { CODES } from '../../sheets/cautions';
import { chosenSet } from '../figures/ratios';
import { setUp, type ReadTrial } from '../figures/set-up';
import { HOLD_POINTS, SET_UP_RISK } from '../hold-points';
import type { Reads } from '../node';

const place = ({ along, across }: ReadTrial['drive']): string =>
  `${word(across, 'root', 'face')}, ${word(along, 'toe', 'heel')}`;

/** Where a contact lies on one way of the flank, in words. */
function word(at: number, plus: string, minus: string): string {
  const size = Math.abs(at);
  return size < 0.15 ? 'middle' : `${size < 0.5 ? 'toward' : 'at'} ${at > 0 ? plus : minus}`;
}

/** What was seen at a trial, and what it says. */
const saidOf = ({ drive, coast, torque, bearings, seal, note, says }: ReadTrial): string =>
  [
    `drive ${place(drive)}`,
    `coast ${place(coast)}`,
    ...(torque === undefined
      ? []
      : [
          `pinion turns at ${sized(torque, 'Nm', 1)}${bearings ? `, ${bearings} bearings` : ''}${seal ? `, seal ${seal}` : ''}`,
        ]),
    ...(note ? [note] : []),
    says.faults.join(', ') || 'good',
  ].join('; ');

/** What to put in next, or to get. */
function nextSection(r: Reads, { fine }: Pen): SheetSection {
  const { next } = r.of(setUp);
  const mm = (value: number): SheetCell => fine(bare(value));
  const pack = (which: 'pinionShim' | 'ringSide' | 'otherSide'): SheetCell => {
    const found = next?.packs[which];
    return found
      ? { text: found.best.map((s) => fine(bare(s)).text).join(' + ') || 'none' }
      : textCell(undefined);
  };
  return {
    title: 'Next trial',
    columns: ['Pinion shim', 'Ring side', 'Other side'],
    rows: next
      ? [
          cellsRow('Would be right', 'by the trials so far', [
            mm(next.wanted.pinionShim),
            mm(next.wanted.ringSide),
            mm(next.wanted.otherSide),
          ]),
          ...(next.stuck
            ? [
                cellsRow(
                  next.stuck.why === 'kit' ? 'To get, one shim each' : 'No shim mends it',
                  'nothing there is comes nearer',
                  (['pinionShim', 'ringSide', 'otherSide'] as const).map((key) => {
                    const buy = next.stuck?.buy[key];
                    return buy === undefined ? textCell('–') : mm(buy);
                  }),
                ),
              ]
            : [
                cellsRow('Put in', next.pressing ? 'pinion’s bearing pressed again' : 'carrier only', [
                  mm(next.pinionShim),
                  mm(next.ringSide),
                  mm(next.otherSide),
                ]),
                cellsRow('Of the kit', 'what does not change stays', [
                  pack('pinionShim'),
                  pack('ringSide'),
                  pack('otherSide'),
                ]),
                cellsRow('Carrier’s sides together', 'against now; its preload goes with it', [
                  textCell(''),
                  mm(next.totalOff),
                  textCell(''),
                ]),
              ]),
        ]
      : [],
  };
}

function sections(r: Reads, pen: Pen): readonly SheetSection[] {
  const { fine } = pen;
  const { trials } = r.of(setUp);
  const mm = (value: number): SheetCell => fine(bare(value));
  const verdict = r.verdict('gearSetUp');
  return [
    {
      title: 'Trials',
      columns: ['Pinion shim', 'Ring side', 'Other side', 'Backlash', 'Apart'],
      rows: trials.map((t) =>
        cellsRow(`Trial ${t.n}`, saidOf(t), [
          mm(t.pinionShim),
          mm(t.ringSide),
          mm(t.otherSide),
          mm(t.says.mean),
          mm(t.says.range),
        ]),
      ),
    },
    nextSection(r, pen),
    {
      title: 'Verdict',
      columns: ['Verdict'],
      rows: verdict
        ? [
            cellsRow(verdict.who, verdict.reason, [
              textCell(verdict.verdict === 'accepted' ? 'taken as it is' : 'done again'),
            ]),
          ]
        : [],
    },
    {
      title: 'In order',
      columns: ['Done'],
      rows: HOLD_POINTS.map((text, i) => cellsRow(String(i + 1), text, [{ text: '' }])),
    },
  ];
}

/** What lies on the bench while the gears are set up. */
export const setUpSheet: SheetDef<Reads> = {
  id: 'setUp',
  title: 'Gear set-up',
  address: 'gear-set-up',
  bench: true,
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Gear set', r.of(chosenSet)?.name ?? '–'],
    ['Wanted', `backlash between its limits, contact in the middle`],
  ],
  sections,
  checks: ['gears'],
  cautions: [SET_UP_RISK, 'Wear eye protection at the press; a bearing that is pressed can burst.', CODES],
};
