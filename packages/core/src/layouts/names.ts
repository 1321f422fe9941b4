/** The layouts there are. Apart from what they lay where: whoever only shows slides need not have that. */
export const LAYOUTS = [
  'title',
  'section',
  'text',
  'text-picture',
  'two-columns',
  'picture',
  'choices',
  'question',
  'pattern',
  'empty',
] as const;
export type LayoutName = (typeof LAYOUTS)[number];
