import Joi from 'joi';

/** An instrument’s name, as the bench gives it. */
export const deviceSchema = Joi.object<{ id: string }>({
  id: Joi.string()
    .pattern(/^[a-z0-9-]{1,40}$/, 'name')
    .required(),
});
export const switchSchema = Joi.object<{ on: boolean }>({ on: Joi.boolean().required() });
