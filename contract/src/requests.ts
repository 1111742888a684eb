import { LENGTH_UNITS, WALKED, type LengthUnit, type Plan } from '@intervex/core';
import { SHEETS } from '@intervex/core/sheets';
import Joi from 'joi';
import { planSchema } from './plan-schema';
import { idText, nameText } from './text';
import type { SaveRequest, StepRequest } from './wire';

const who = nameText(60).required();
/** Largest number that the database counts by. */
const MOST_REVISIONS = 2 ** 31 - 1;
const baseRevision = Joi.number().integer().min(1).max(MOST_REVISIONS).required();

/** The save around the plan; the plan is checked against the one it was made from. */
export const saveShellSchema = Joi.object<SaveRequest>({ baseRevision, plan: Joi.object().required(), who });
export const saveSchema = Joi.object<SaveRequest>({ baseRevision, plan: planSchema.required(), who });
export const stepSchema = Joi.object<StepRequest>({ baseRevision, who });

export const newProjectSchema = Joi.object<{ name: string; variant: string; who: string }>({
  name: nameText().trim().required(),
  variant: nameText().trim().required(),
  who,
});

/** Another variant beside an existing one: with its plan, or with one made of that, such as for another donor. */
export const newVariantSchema = Joi.object<{ name: string; copyOf: string; plan?: Plan; who: string }>({
  name: nameText().trim().required(),
  copyOf: idText().required(),
  plan: planSchema.prefs({ convert: false }),
  who,
});

export const renameSchema = Joi.object<{ name: string }>({ name: nameText().trim().required() });

/** A new name of a project, or the numbers of its running strip. */
export const projectChangeSchema = Joi.object<{ name?: string; strip?: readonly string[] }>({
  name: nameText().trim(),
  strip: Joi.array().items(Joi.string().max(40)).min(1).max(40).unique(),
}).or('name', 'strip');

export const idSchema = Joi.object<{ id: string }>({ id: idText().required() });

const paper = Joi.string().valid('a4', 'letter').default('a4');
const units = Joi.string()
  .valid(...LENGTH_UNITS)
  .default('mm');

export interface SheetQuery {
  readonly paper: 'a4' | 'letter';
  readonly units: LengthUnit;
}
export const tableQuerySchema = Joi.object<{ units: LengthUnit }>({ units });
export const sheetQuerySchema = Joi.object<SheetQuery>({ paper, units });

export interface SurveySheetQuery extends SheetQuery {
  readonly stage: string;
  readonly filled: boolean;
}
export const surveySheetQuerySchema = Joi.object<SurveySheetQuery>({
  paper,
  units,
  stage: Joi.string()
    .valid(...WALKED)
    .default(WALKED[0]),
  filled: Joi.boolean().default(false),
});

/** One page that wants to be told of a variant or an instrument. */
export interface Listener {
  /** Name the page gave itself; what it is told carries it. */
  readonly to: string;
  readonly who: string;
  readonly variant?: string;
  readonly instrument?: string;
}
/** What all pages of one browser listen to. */
export const liveQuerySchema = Joi.object<{ listens: readonly Listener[] }>({
  listens: Joi.array()
    .items(
      Joi.object({
        to: idText().required(),
        who: nameText(60).default('bench'),
        variant: idText(),
        instrument: Joi.string().pattern(/^[a-z0-9-]{1,40}$/, 'name'),
      }).xor('variant', 'instrument'),
    )
    .min(1)
    .max(200)
    .unique('to')
    .required(),
});

export const importQuerySchema = Joi.object<{ who: string }>({ who: nameText(60).default('bench') });

export const photosQuerySchema = Joi.object<{ before?: string; limit: number }>({
  before: idText(),
  limit: Joi.number().integer().min(1).max(200).default(24),
});
export const photoQuerySchema = Joi.object<{ who: string }>({ who: nameText(60).default('bench') });

export interface ProjectsQuery {
  readonly find: string;
  readonly from: number;
  readonly limit: number;
}
export const projectsQuerySchema = Joi.object<ProjectsQuery>({
  find: Joi.string().max(120).allow('').default(''),
  from: Joi.number().integer().min(0).max(1_000_000).default(0),
  limit: Joi.number().integer().min(1).max(200).default(60),
});

/** A page of the history: those before a revision. */
export interface HistoryQuery {
  readonly before?: number;
  readonly limit: number;
}
const revision = Joi.number().integer().min(1).max(MOST_REVISIONS);
export const historyQuerySchema = Joi.object<HistoryQuery>({
  before: revision,
  limit: Joi.number().integer().min(1).max(200).default(200),
});
export const revisionSchema = Joi.object<{ revision: number }>({ revision: revision.required() });

/** Body that puts an earlier revision back as a new one. */
export const restoreSchema = Joi.object<StepRequest & { revision: number }>({
  baseRevision,
  revision: revision.required(),
  who,
});

export interface ReadingsQuery {
  readonly find: string;
  readonly from: number;
  readonly limit: number;
}
export const readingsQuerySchema = Joi.object<ReadingsQuery>({
  find: Joi.string().max(120).allow('').default(''),
  from: Joi.number().integer().min(0).max(1_000_000).default(0),
  limit: Joi.number().integer().min(1).max(500).default(200),
});

export const shapeFileSchema = Joi.object<{ file: string }>({
  file: Joi.string()
    .pattern(/^(jig|flange|wrap-left|wrap-right|saddles|notch|plate)\.(dxf|svg|pdf)$/, 'file')
    .required()
    .messages({
      'string.pattern.name':
        'must be jig, flange, wrap-left, wrap-right, saddles, notch or plate as .dxf, .svg or .pdf',
    }),
});
export const shapeQuerySchema = Joi.object<SheetQuery>({ paper, units });
export const drawingQuerySchema = Joi.object<{ units?: 'mm' | 'in' }>({
  units: Joi.string().valid('mm', 'in'),
});

/** A sheet by its id, for what is ordered. */
export interface OrderSheetQuery extends SheetQuery {
  readonly sheet: string;
}
const ORDERED = SHEETS.filter((sheet) => !sheet.bench).map((sheet) => sheet.id);
export const orderSheetQuerySchema = Joi.object<OrderSheetQuery>({
  paper,
  units,
  sheet: Joi.string()
    .valid(...ORDERED)
    .default(ORDERED[0]),
});
