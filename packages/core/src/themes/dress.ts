import { asNumber, asOneOf, asRecord } from '../parts/decode.js';

/** What choices are cut out of. */
export const CHOICE_FORMS = ['card', 'pill', 'sign', 'ticket', 'label', 'plate', 'slab'] as const;
export type ChoiceForm = (typeof CHOICE_FORMS)[number];

/** What stands before the entries of a list: signs that every family of ours has. */
export const BULLETS = ['disc', 'dash', 'point', 'star', 'cross', 'arrow'] as const;
export type Bullet = (typeof BULLETS)[number];

export const EDGES = ['hair', 'double', 'dashed', 'firm', 'none'] as const;
export type Edge = (typeof EDGES)[number];

/** What stands small below a title. */
export const ORNAMENTS = [
  'none',
  'rule',
  'double',
  'wave',
  'dots',
  'diamonds',
  'stitches',
  'ticks',
  'tufts',
  'stars',
] as const;
export type Ornament = (typeof ORNAMENTS)[number];
/** The room that it takes below the words, in slide units. */
export const ORNAMENT_ROOM = 18;

/** How titles, choices, questions, pieces, zones and tables look in a theme. */
export interface Dress {
  choice: ChoiceForm;
  /** Of the cards of questions, pieces and zones, and of choices that have corners; in slide units. */
  corner: number;
  edge: Edge;
  bullet: Bullet;
  ornament: Ornament;
}

export const DEFAULT_DRESS: Dress = {
  choice: 'card',
  corner: 6,
  edge: 'hair',
  bullet: 'disc',
  ornament: 'none',
};

export function readDress(value: unknown, standard: Dress): Dress {
  const { choice, corner, edge, bullet, ornament } = asRecord(value);
  return {
    choice: asOneOf(choice, CHOICE_FORMS, standard.choice),
    corner: Math.max(0, Math.min(32, asNumber(corner, standard.corner))),
    edge: asOneOf(edge, EDGES, standard.edge),
    bullet: asOneOf(bullet, BULLETS, standard.bullet),
    ornament: asOneOf(ornament, ORNAMENTS, standard.ornament),
  };
}
