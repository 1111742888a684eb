import Joi from 'joi';
import { planSchema } from './plan-schema';
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

export const sheetQuerySchema = Joi.object<{ paper: 'a4' | 'letter'; units: 'mm' | 'in' | 'frac' }>({
  paper: Joi.string().valid('a4', 'letter').default('a4'),
  units: Joi.string().valid('mm', 'in', 'frac').default('mm'),
});

export const liveQuerySchema = Joi.object<{ who: string; page: string }>({
  who: nameText(60).default('bench'),
  page: Joi.string().guid().required(),
});

export const importQuerySchema = Joi.object<{ who: string }>({ who: nameText(60).default('bench') });
