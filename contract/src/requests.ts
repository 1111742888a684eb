import {
  PART_KINDS,
  RETENTIONS,
  SHEETS,
  WALKED,
  type LengthUnit,
  type PairQuestion,
  type PartKind,
  type PartOffer,
} from '@intervex/core';
import Joi from 'joi';
import { offerSchema, planSchema } from './plan-schema';
import { freeText, nameText } from './text';
import {
  MAKER_STATES,
  type MakerOrder,
  type MakerQuote,
  type ReceiveRequest,
  type SaveRequest,
  type SettleRequest,
  type StepRequest,
} from './wire';

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
  readonly stage: string;
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
  /** Dimensions that have to agree to 0.3 mm, by name. */
  readonly near: Readonly<Record<string, number>>;
}
/** Reads `rim:13,pcd:108.04` as dimensions by name. */
const nearText: Joi.CustomValidator = (text: string, helpers) => {
  const parts = text.split(',').map((part) => /^([a-zA-Z]{1,30}):(-?\d+(?:\.\d+)?)$/.exec(part.trim()));
  if (parts.some((part) => !part)) return helpers.error('near.form');
  return Object.fromEntries(parts.map((part) => [part?.[1], Number(part?.[2])]));
};

const size = Joi.number().min(0.1).max(2000);
export const partsQuerySchema = Joi.object<PartsQuery>({
  kind: Joi.string()
    .valid(...PART_KINDS)
    .required(),
  inside: size,
  outside: size,
  width: size,
  open: Joi.boolean().default(false),
  near: Joi.string()
    .max(200)
    .custom(nearText)
    .default({})
    .messages({ 'near.form': 'must be dimensions such as rim:13,pcd:108.04' }),
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

export const shapeFileSchema = Joi.object<{ file: string }>({
  file: Joi.string()
    .pattern(/^(jig|flange)\.(dxf|svg|pdf)$/, 'file')
    .required()
    .messages({ 'string.pattern.name': 'must be jig or flange as .dxf, .svg or .pdf' }),
});
export const shapeQuerySchema = Joi.object<{ paper: 'a4' | 'letter' }>({ paper });
export const drawingQuerySchema = Joi.object<{ units?: 'mm' | 'in' }>({
  units: Joi.string().valid('mm', 'in'),
});

/** A sheet by its id, for what is ordered. */
export interface OrderSheetQuery extends SheetQuery {
  readonly sheet: string;
}
const ORDERED = SHEETS.filter((sheet) => !sheet.view).map((sheet) => sheet.id);
export const orderSheetQuerySchema = Joi.object<OrderSheetQuery>({
  paper,
  units,
  sheet: Joi.string()
    .valid(...ORDERED)
    .default(ORDERED[0]),
});

const mm = (least: number, most: number) => Joi.number().min(least).max(most);
const sided = (of: Joi.NumberSchema) => Joi.object({ left: of.required(), right: of.required() }).required();

/** What the search for stock shafts asks. */
export const pairQuestionSchema = Joi.object<PairQuestion>({
  wanted: Joi.object({
    teeth: Joi.number().integer().min(6).max(80).required(),
    pitch: Joi.number().min(4).max(64),
    journal: mm(15, 90),
    journalUnder: mm(0, 5),
    holes: Joi.number().integer().min(3).max(10),
    pcd: mm(80, 260),
    spline: mm(5, 250),
    retention: Joi.string().valid(...RETENTIONS),
    bearingBore: mm(20, 200),
    bearingRoom: mm(3, 120),
    sealJournal: mm(10, 150),
    drill: Joi.object({
      hole: mm(5, 40).required(),
      ligament: mm(0, 60).required(),
      ligamentShare: Joi.number().min(0).max(5).required(),
      edgeShare: Joi.number().min(0).max(5).required(),
    }),
  }).required(),
  axle: Joi.object({
    half: sided(mm(100, 1500)),
    shaft: sided(mm(50, 1500)),
    leastHalf: sided(mm(0, 1500)),
  }).required(),
  target: Joi.object({ width: mm(400, 2800).required(), pinion: mm(-500, 500) }).required(),
});

export const newOrderSchema = Joi.object<{ who: string }>({ who });
/** Paying; `again` says that the same shafts are meant to be ordered twice. */
export const payOrderSchema = Joi.object<{ who: string; again?: boolean }>({ who, again: Joi.boolean() });
export const orderStepSchema = Joi.object<{ who: string; note?: string }>({
  who,
  note: freeText(300).allow(''),
});

/** Shafts that arrived, as they were measured. */
export const receivedSchema = Joi.object<ReceiveRequest>({
  who,
  shafts: Joi.array()
    .items(
      Joi.object({
        side: Joi.string().valid('left', 'right').required(),
        length: mm(50, 1500).required(),
        journal: mm(10, 120),
        splineLength: mm(2, 300),
      }),
    )
    .unique('side')
    .min(1)
    .max(2)
    .required(),
});
export const settleSchema = Joi.object<SettleRequest>({
  who,
  decision: Joi.string().valid('accept', 'sendBack').required(),
  reason: freeText(300).min(3).required(),
});

/** What the shaft maker answers, checked before it is believed. */
export const quoteSchema = Joi.object<MakerQuote>({
  number: freeText(40).required(),
  price: Joi.number().min(0).max(1_000_000).required(),
  leadDays: Joi.number().integer().min(0).max(2000).required(),
  note: freeText(300).allow('').default(''),
});
export const makerOrderSchema = Joi.object<MakerOrder>({
  number: freeText(40).required(),
  state: Joi.string()
    .valid(...MAKER_STATES)
    .required(),
  note: freeText(300).allow('').default(''),
});
