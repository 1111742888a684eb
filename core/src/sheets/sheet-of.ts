import { heldBy, type Results } from '../evaluate';
import { inUnits, isFigure, showAgainst, showUncertainty, type Assumed } from '../measure';
import { LIMITS, placeName, type LimitId, type Plan } from '../plan';
import { penOf, type Sheet, type SheetCheck, type SheetDef, type SheetSection } from '../stage';
import { inSentence, isOpen, isUnknown, type Check, type Decision, type Limit } from '../stage';
import type { LengthUnit } from '../units';

/**
 * A sheet of a plan: the same words and numbers for page, paper and table.
 *
 * @param unit unit of every length
 */
export function sheetOf(def: SheetDef, results: Results, unit: LengthUnit): Sheet {
  const { plan, contradicted, decisions } = results;
  const pen = penOf(unit, {
    heldBy: (figure) => heldBy(figure, contradicted),
    openings: results.openings,
  });
  const read = results.read as never;
  const sections = def.sections(read, pen).filter((s) => s.rows.length > 0);
  const checks = results.checks.filter((c) => !def.checks || def.checks.includes(c.stage));
  const named = (def.decisions ?? []).flatMap(({ id }) => decisions.filter((d) => d.id === id));
  return said(unit, {
    head: def.head(read, pen),
    sections,
    checks: checks.filter((c) => isOpen(c) || isUnknown(c)).map((c) => sheetCheck(c, unit)),
    accepted: checks.filter((c) => c.accepted).map((c) => sheetCheck(c, unit)),
    limits: limitLines(plan, unit),
    lacks: [...(def.lacks ? results.of(def.lacks) : []), ...named.flatMap(decisionLine)],
    assumed: assumedLines(sections, unit),
    cautions: def.cautions,
    notes: def.notes ? results.of(def.notes) : '',
  });
}

/** All words of something with their sizes in one unit. */
function said<T>(unit: LengthUnit, part: T): T {
  const texts = (value: unknown): unknown => {
    if (typeof value === 'string') return inUnits(value, unit);
    if (Array.isArray(value)) {
      const all: unknown[] = value.map(texts);
      // The same list where nothing in it was said otherwise.
      return all.every((v, i) => v === value[i]) ? (value as unknown) : all;
    }
    if (!value || typeof value !== 'object' || isFigure(value)) return value;
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, texts(inner)]));
  };
  return texts(part) as T;
}

/** What a decision still lacks, by name, or why it is held; nothing where it can be made. */
function decisionLine({ label, lacks, held }: Decision): string[] {
  if (lacks.length) return [`${label}: ${lacks.map(placeName).join(', ')}`];
  return held === undefined ? [] : [`${label}: held. ${held}`];
}

/** Every default that a cell of these sections rests on, once each. */
function assumedLines(sections: readonly SheetSection[], unit: LengthUnit): readonly string[] {
  const found = new Map<string, Assumed>();
  for (const { rows } of sections)
    for (const { cells } of rows)
      for (const { figure } of cells) for (const a of Object.values(figure?.assumed ?? {})) found.set(a.id, a);
  return [...found.values()].map((a) => `${a.label}: ${showUncertainty(a.value, a.unit, unit)}, ${a.why}`);
}

function sheetCheck(check: Check, unit: LengthUnit): SheetCheck {
  const { figure, limit, accepted } = check;
  return {
    level: check.level,
    title: check.title,
    figure: figure ? showAgainst(figure.value, limit?.value, figure.unit, unit) : '',
    limit: limit ? showAgainst(limit.value, limit.value, limit.unit, unit) : '',
    todo: check.todo,
    accepted: accepted ? `${accepted.reason} (${accepted.who}, ${accepted.at.slice(0, 10)})` : '',
    note: checkNote(check, unit),
  };
}

function checkNote({ lacks = [], within, assumed = [], figure }: Check, unit: LengthUnit): string {
  const said = [
    lacks.length ? `Missing: ${lacks.map(placeName).join(', ')}.` : '',
    within !== undefined && figure
      ? `Nearer its limit than the readings can tell: ± ${showAgainst(within, within, figure.unit, unit)}.`
      : '',
    assumed.length
      ? `Assumed: ${assumed.map((a) => `${inSentence(a.label)} ${showUncertainty(a.value, a.unit, unit)}`).join(', ')}.`
      : '',
  ];
  return said.filter(Boolean).join(' ');
}

function limitLines(plan: Plan, unit: LengthUnit): string[] {
  return Object.entries(plan.limits).map(([id, change]) => {
    const limit: Limit = LIMITS[id as LimitId];
    const show = (v: number) => showAgainst(v, limit.fallback, limit.unit, unit);
    return `${limit.label}: ${show(change.value)} instead of ${show(limit.fallback)}. ${change.reason}`;
  });
}
