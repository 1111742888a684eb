import { canRead, EMPTY_PLAN, findQuantity, type Plan } from '@intervex/core';
import Joi from 'joi';
import { planSchema } from './plan-schema';
import { problemsOf } from './problems';
import { nameText } from './text';
import type { Problem } from './wire';

/** The mark by which a plan file is known. */
export const PLAN_FORMAT = 'intervex-plan';
/** The version this build writes. */
export const PLAN_VERSION = 6;

/** A plan as it stands in a file. Lengths in mm, angles in rad, masses in kg. */
export interface PlanFile {
  readonly format: typeof PLAN_FORMAT;
  readonly version: typeof PLAN_VERSION;
  readonly project: string;
  readonly variant: string;
  readonly plan: Plan;
}

export type ReadPlanFile =
  | { readonly ok: true; readonly file: PlanFile }
  | { readonly ok: false; readonly problems: readonly Problem[] };

type Fields = Readonly<Record<string, unknown>>;

const refuse = (field: string, wrong: string, right: string): ReadPlanFile => ({
  ok: false,
  problems: [{ field, wrong, right }],
});

const fileSchema = Joi.object<PlanFile>({
  format: Joi.string().valid(PLAN_FORMAT).required(),
  version: Joi.number().valid(PLAN_VERSION).required(),
  project: nameText().required(),
  variant: nameText().required(),
  plan: planSchema.required(),
});

/** Writes a plan file. */
export const planFile = (project: string, variant: string, plan: Plan): PlanFile => ({
  format: PLAN_FORMAT,
  version: PLAN_VERSION,
  project,
  variant,
  plan,
});

/**
 * Reads the text of a plan file: JSON, the format mark, the version, then every field.
 *
 * @returns the file in today's version, or what is wrong with it, where, and what would be right
 */
export function readPlanText(text: string): ReadPlanFile {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    const wrong = text.trim() === '' ? 'the file is empty' : 'the file is not whole JSON; it may be cut short';
    return refuse('file', wrong, 'save the plan again and take the new file');
  }
  return readPlanFile(data);
}

/** Reads a plan file that is already parsed. Older versions are brought up to date. */
export function readPlanFile(data: unknown): ReadPlanFile {
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('file', 'the file holds no object', 'a plan file saved by Intervex');
  const head = data as Readonly<Record<string, unknown>>;
  if (head['format'] !== PLAN_FORMAT)
    return refuse('format', 'this is no Intervex plan file', `"format": "${PLAN_FORMAT}"`);
  const upgraded = upgrade(head);
  if (!upgraded) return refuse('version', versionWrong(head['version']), `a version from 1 to ${PLAN_VERSION}`);
  const { error, value } = fileSchema.validate(upgraded, { abortEarly: false, convert: false });
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, file: value };
}

function versionWrong(version: unknown): string {
  return typeof version === 'number' && version > PLAN_VERSION
    ? `version ${version} is newer than this program knows`
    : `version ${JSON.stringify(version) ?? 'missing'} is not known`;
}

/** Brings a file of any earlier version up to date, one version after the other; undefined for one not known. */
function upgrade(head: Fields): unknown {
  if (head['version'] === 1) return upgrade(fromVersion1(head));
  if (head['version'] === 2) return upgrade(fromVersion2(head));
  if (head['version'] === 3) return upgrade(fromVersion3(head));
  if (head['version'] === 4) return upgrade(fromVersion4(head));
  if (head['version'] === 5) return upgrade(fromVersion5(head));
  return head['version'] === PLAN_VERSION ? head : undefined;
}

/** The parts of a file that could be there, whatever they hold. */
const fieldsOf = (value: unknown): Fields | undefined =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Fields) : undefined;

/**
 * Version 1 held each reading as one bare number, and neither limits nor acceptances. A number becomes a
 * single repeat with the quantity's usual instrument and datum. What is not a number or not a known
 * quantity is left as it is, for the check of every field to refuse it by name.
 */
function fromVersion1(head: Fields): Fields {
  const old = fieldsOf(head['plan']);
  if (!old) return { ...head, version: 2 };
  const readings = Object.fromEntries(
    Object.entries(fieldsOf(old['readings']) ?? {}).map(([id, value]) => {
      const q = findQuantity(id);
      if (!q || typeof value !== 'number') return [id, value];
      const datum = q.datum === 'none' ? {} : { datum: q.datum };
      return [id, { repeats: [{ value }], instrument: q.instrument, ...datum }];
    }),
  );
  const { limits, accepted } = EMPTY_PLAN;
  return { ...head, version: 2, plan: { limits, accepted, ...old, readings } };
}

/** Version 2 knew nothing of launch, differential, gearbox, torque curve, tools and skills. */
function fromVersion2(head: Fields): Fields {
  const old = fieldsOf(head['plan']);
  const brief = fieldsOf(old?.['brief']);
  if (!old || !brief) return { ...head, version: 3 };
  const { launch, differential, gears, torqueCurve, tools, skills } = EMPTY_PLAN.brief;
  const added = { launch, differential, gears, torqueCurve, tools, skills };
  return { ...head, version: 3, plan: { ...old, brief: { ...added, ...brief } } };
}

/** Version 3 knew neither facts, joints, searches, verdicts nor photos. */
function fromVersion3(head: Fields): Fields {
  const old = fieldsOf(head['plan']);
  if (!old) return { ...head, version: 4 };
  const { facts, joints, searches, verdicts, photos } = EMPTY_PLAN;
  return { ...head, version: 4, plan: { facts, joints, searches, verdicts, photos, ...old } };
}

/** Version 4 knew neither wheels, other ends, hole patterns, what is welded to the tubes, nor brake lines. */
function fromVersion4(head: Fields): Fields {
  const old = fieldsOf(head['plan']);
  const choices = fieldsOf(old?.['choices']);
  if (!old || !choices) return { ...head, version: 5 };
  const { tyre, spacer, pattern, jig } = EMPTY_PLAN.choices;
  const { tubeItems, patterns, keepOuts, lines } = EMPTY_PLAN;
  const kept = { retentionTo: choices['retention'], tyre, spacer, pattern, jig };
  return {
    ...head,
    version: 5,
    plan: { tubeItems, patterns, keepOuts, lines, ...old, choices: { ...kept, ...choices } },
  };
}

/**
 * Version 5 did not say what takes the driveshaft’s torque, and took any instrument for any reading: one that cannot
 * read the unit becomes an estimate.
 */
function fromVersion5(head: Fields): Fields {
  const old = fieldsOf(head['plan']);
  const choices = fieldsOf(old?.['choices']);
  if (!old || !choices) return { ...head, version: 6 };
  const { reaction } = EMPTY_PLAN.choices;
  const readings = withFitInstruments(fieldsOf(old['readings']) ?? {});
  return { ...head, version: 6, plan: { ...old, readings, choices: { reaction, ...choices } } };
}

/** Readings whose instrument can read their unit. What is no reading is left for the check of every field. */
const withFitInstruments = (readings: Fields): Fields =>
  Object.fromEntries(
    Object.entries(readings).map(([id, value]) => {
      const reading = fieldsOf(value);
      return [
        id,
        reading && !canRead(id, reading['instrument']) ? { ...reading, instrument: 'estimate' } : value,
      ];
    }),
  );
