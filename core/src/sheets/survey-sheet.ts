import type { Results } from '../evaluate';
import {
  expandedUncertainty,
  INSTRUMENTS,
  type InstrumentId,
  type ReadingSummary,
  showUncertainty,
  showValue,
  styleOf,
  unitWord,
} from '../measure';
import { FACTS, factText, QUANTITIES, type Plan } from '../plan';
import type { LengthUnit } from '../units';
import { quantityName, type Fact, type Quantity } from '../stage';
import { STAGES } from '../stages';

/** What the sheet of a stage that is walked round is called. */
export const walkTitle = (stage: string): string => STAGES.find((s) => s.id === stage)?.contents.walked ?? '';

/** One line of the sheet: a reading with room for three repeats, or a thing to tick. */
export interface SurveySheetRow {
  readonly id: string;
  readonly name: string;
  readonly hint: string;
  /** Instrument and datum, for a reading. */
  readonly how: string;
  readonly unit: string;
  /** As read, at most three fit the paper; empty on a blank sheet. */
  readonly repeats: readonly string[];
  /** Mean and its uncertainty (k = 2); empty where there is none. */
  readonly result: string;
  readonly agreement: ReadingSummary['agreement'] | '';
  /** What may be ticked, for a thing seen; the first one given is ticked. */
  readonly options: readonly string[];
  readonly ticked: string;
}

export interface SurveySheetSection {
  readonly title: string;
  readonly rows: readonly SurveySheetRow[];
}

/**
 * The sheet that goes round the car, or to the seller’s yard: everything that is read or looked at in a stage, in
 * walking order. Blank to write on, or filled with what the plan holds.
 *
 * @param stage what is walked round
 * @param filled whether the plan’s readings are printed
 */
export function surveySheet(
  plan: Plan,
  results: Results,
  { stage, unit, filled }: { stage: string; unit: LengthUnit; filled: boolean },
): readonly SurveySheetSection[] {
  const readings = QUANTITIES.filter((q) => q.stage === stage).map((q) => ({
    heading: q.heading,
    row: readingRow(q, unit, filled ? { plan, results } : undefined),
  }));
  const facts = FACTS.filter((f) => f.stage === stage).map((kind) => {
    const fact = filled ? plan.facts[kind.id] : undefined;
    return { heading: kind.heading, row: factRow(kind, fact) };
  });
  const titles = [...new Set([...readings, ...facts].map((r) => r.heading))];
  return titles.map((title) => ({
    title,
    rows: [...readings, ...facts].filter((r) => r.heading === title).map((r) => r.row),
  }));
}

function readingRow(
  q: Quantity,
  unit: LengthUnit,
  from: { plan: Plan; results: Results } | undefined,
): SurveySheetRow {
  const reading = from?.plan.readings[q.id];
  const { instrument, datum = q.datum } = reading ?? { instrument: q.instrument };
  const row = {
    id: q.id,
    name: quantityName(q),
    hint: q.hint,
    how: howRead(instrument, datum),
    unit: unitWord(q.unit, unit),
    options: [],
    ticked: '',
  };
  const known = reading && from?.results.known.get(q.id);
  if (!known) return { repeats: [], result: '', agreement: '', ...row };
  const { figure } = known;
  const digits = unit === 'mm' && q.unit === 'mm' && instrument === 'caliper' ? 2 : undefined;
  const shown = (value: number) => showValue(value, q.unit, styleOf(figure, unit), digits);
  const U = expandedUncertainty(figure);
  return {
    repeats: reading.repeats.map((r) => shown(r.value)),
    result:
      U > 0 ? `${shown(figure.value)} ± ${showUncertainty(U, q.unit, unit, digits)}` : shown(figure.value),
    agreement: known.summary?.agreement ?? '',
    ...row,
  };
}

/** With what, and from where; nothing for what is only chosen. */
function howRead(instrument: InstrumentId, datum: string): string {
  if (instrument === 'chosen') return '';
  return `${INSTRUMENTS[instrument].label}${datum === 'none' ? '' : ` from ${datum}`}`;
}

function factRow(kind: (typeof FACTS)[number], fact: Fact | undefined): SurveySheetRow {
  return {
    id: `fact.${kind.id}`,
    name: kind.label,
    hint: kind.hint,
    how: fact ? EVIDENCE_SHORT[fact.evidence] : '',
    unit: '',
    repeats: [],
    result: '',
    agreement: '',
    options: kind.options.map((o) => o.label),
    ticked: fact ? factText(kind.id, fact.value) : '',
  };
}

const EVIDENCE_SHORT = { measured: 'measured', seen: 'seen', seller: 'seller says' } as const;
