// What only its desk asks for: fetched with it.
export * from './figures/fittings';
export * from './figures/links';
export * from './figures/order';
export * from './figures/perches';
export { newFrame, newTube, outside } from './figures/frame';
export { meetings, seams } from './figures/tube-map';
export { mendings } from './figures/strains';
export type { WeldStep } from './weld-order';
export {
  TEMPLATE_NAMES,
  TEMPLATES,
  templates,
  type Template,
  type TemplateId,
  type TemplateWord,
} from './templates';
