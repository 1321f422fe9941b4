import { gateFor, type Gate } from '@gobrel/core';

const OPEN = gateFor('folio:write');
const CLOSED = gateFor();

/** Who has a folio writes it, but not while the class is held, or once it is handed in. */
export const gateToFolio = (isClosed: boolean): Gate => (isClosed ? CLOSED : OPEN);
