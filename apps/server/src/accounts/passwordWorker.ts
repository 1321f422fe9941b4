import { hashSync, verifySync } from '@node-rs/argon2';
import { answering } from '../threads/answering.js';

export type PasswordOrder =
  { kind: 'hash'; password: string } | { kind: 'verify'; password: string; known: string };

answering((order: PasswordOrder): string | boolean => {
  if (order.kind === 'hash') return hashSync(order.password);
  try {
    return verifySync(order.known, order.password);
  } catch {
    return false;
  }
});
