import {
  PART_KINDS,
  WALKED,
  type LengthUnit,
  type PartKind,
  type PartOffer,
  type WalkedStage,
} from '@intervex/core';
import Joi from 'joi';
import { offerSchema, planSchema } from './plan-schema';
import { nameText } from './text';
import type { SaveRequest, StepRequest } from './wire';

const who = nameText(60).required();
const baseRevision = Joi.number().integer().min(1).required();

export const saveSchema = Joi.object<SaveRequest>({ baseRevision, plan: planSchema.required(), who });
export const stepSchema = Joi.object<StepRequest>({ baseRevision, who });

export const newProjectSchema = Joi.object<{ name: string; variant: string; who: string }>({
  name: nameText().trim().required(),
  variant: nameText().trim().required(),
  who,
});

export const newVariantSchema = Joi.object<{ name: string; copyOf: string; who: string }>({
  name: nameText().trim().required(),
  copyOf: Joi.string().guid().required(),
  who,
});

export const renameSchema = Joi.object<{ name: string }>({ name: nameText().trim().required() });

export const idSchema = Joi.object<{ id: string }>({ id: Joi.string().guid().required() });

const paper = Joi.string().valid('a4', 'letter').default('a4');
const units = Joi.string().valid('mm', 'in', 'frac').default('mm');

export interface SheetQuery {
  readonly paper: 'a4' | 'letter';
  readonly units: LengthUnit;
}
export const sheetQuerySchema = Joi.object<SheetQuery>({ paper, units });

export interface SurveySheetQuery extends SheetQuery {
  readonly stage: WalkedStage;
  readonly filled: boolean;
}
export const surveySheetQuerySchema = Joi.object<SurveySheetQuery>({
  paper,
  units,
  stage: Joi.string()
    .valid(...WALKED)
    .default('survey'),
  filled: Joi.boolean().default(false),
});

export const liveQuerySchema = Joi.object<{ who: string; page: string }>({
  who: nameText(60).default('bench'),
  page: Joi.string().guid().required(),
});

export const importQuerySchema = Joi.object<{ who: string }>({ who: nameText(60).default('bench') });

/** A question to the parts counter: what kind, and the sizes that matter, mm. */
export interface PartsQuery {
  readonly kind: PartKind;
  readonly inside?: number;
  readonly outside?: number;
  readonly width?: number;
  /** The journal may be ordered to the part. */
  readonly open: boolean;
}
const size = Joi.number().min(0.1).max(2000);
export const partsQuerySchema = Joi.object<PartsQuery>({
  kind: Joi.string()
    .valid(...PART_KINDS)
    .required(),
  inside: size,
  outside: size,
  width: size,
  open: Joi.boolean().default(false),
}).and('inside', 'outside');

/** An instrument’s name, as the bench gives it. */
export const deviceSchema = Joi.object<{ id: string }>({
  id: Joi.string()
    .pattern(/^[a-z0-9-]{1,40}$/, 'name')
    .required(),
});
export const switchSchema = Joi.object<{ on: boolean }>({ on: Joi.boolean().required() });

export const photoQuerySchema = Joi.object<{ who: string }>({ who: nameText(60).default('bench') });

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

/** What the counter answers, checked field by field before it is believed. */
export const counterSchema = Joi.object<{ kind: PartKind; total: number; offers: readonly PartOffer[] }>({
  kind: Joi.string()
    .valid(...PART_KINDS)
    .required(),
  total: Joi.number().integer().min(0).required(),
  offers: Joi.array().items(offerSchema).max(20_000).required(),
});
