export { PICTURES, type PictureName } from './pictures.js';
export type { Pictures } from './palette.js';
export { fogBankDeck } from './fogBank.js';
export { lampDeck } from './lamp.js';
export { almanacDeck, rockPoolDeck, weatherDeck } from './otherDecks.js';
export { CLASS_NAME, STUDENTS, TEACHERS } from './people.js';
export { seededNumbers, walkedFolio } from './walks.js';

/** The running lesson's code and the identities that stay the same with every fresh start. */
export const RUNNING_CODE = 'TERN 482';
