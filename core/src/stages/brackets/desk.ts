// What only its desk asks for: fetched with it.
export * from './figures/links';
export * from './figures/order';
export * from './figures/perches';
export { mendings } from './figures/strains';
export { TEMPLATE_NAMES, TEMPLATES, templates, type TemplateId } from './templates';
export type { TemplateWord } from './template-parts';
