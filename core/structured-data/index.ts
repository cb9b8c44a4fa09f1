export { readMeaning, type BroughtMarkup, type MeaningOptions, type PageMeaning } from './brought.ts';
export { checkMarkup } from './checking/check-items.ts';
export { faultSort, isGrave, type FaultCode, type FaultSort, type MarkupFault } from './checking/fault.ts';
export type { Field, FieldInput, MarkupInput, Processor, Value, ValueFrom } from './field.ts';
export { AVAILABILITIES, EVENT_STATUSES } from './fields.ts';
export { asIfReady, BUSINESS_TYPES, identityGaps, profileAddresses, type IdentityGap } from './identity-facts.ts';
export { identityGraph, ownerType } from './identity.ts';
export { foreignMarkup, joined, markupOf, pageGaps, type ForeignMarkup, type WrittenMarkup } from './written.ts';
export { saidValues, type ValueName } from './said-values.ts';
export { markupReport, type MarkupReport, type ToldMarkup, type ToldValue } from './told.ts';
export type { Graph, GraphNode, Json } from './node.ts';
export {
  graphOf,
  isMarkupOn,
  markupChoice,
  NO_MARKUP,
  pageMarkup,
  type BroughtThing,
  type MarkupChoice,
  type PageMarkup,
  type ToldField,
  type ToldThing,
} from './page-graph.ts';
export { KIND_PROCESSORS, processorOf, PROCESSORS } from './processors/index.ts';
