import { PLAN_VERSION, upgradePlan, type Plan } from '@intervex/core';
import Joi from 'joi';
import { planSchema } from './plan-schema';
import { problemsOf } from './problems';
import { nameText } from './text';
import { validated } from './validated';
import type { Problem } from './wire';

/** The mark by which a plan file is known. */
export const PLAN_FORMAT = 'intervex-plan';

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
  const plan = upgradePlan(head['version'], head['plan']);
  if (plan === undefined && !knownVersion(head['version']))
    return refuse('version', versionWrong(head['version']), `a version from 1 to ${PLAN_VERSION}`);
  const { error, value } = validated(
    fileSchema,
    { ...head, version: PLAN_VERSION, ...(plan === undefined ? {} : { plan }) },
    { convert: false },
  );
  return error ? { ok: false, problems: problemsOf(error) } : { ok: true, file: value };
}

const knownVersion = (version: unknown): boolean =>
  typeof version === 'number' && Number.isInteger(version) && version >= 1 && version <= PLAN_VERSION;

function versionWrong(version: unknown): string {
  return typeof version === 'number' && version > PLAN_VERSION
    ? `version ${version} is newer than this program knows`
    : `version ${JSON.stringify(version) ?? 'missing'} is not known`;
}
