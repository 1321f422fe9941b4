import { run, told, type Gate, type RunCommand } from '@gobrel/core';
import type * as Y from 'yjs';

/** Runs commands on one document through a gate; a refusal is told to whoever gave the command. */
export const runner =
  (doc: Y.Doc, gate: Gate, trouble: (reason: string) => void): RunCommand =>
  (command, ...args) => {
    const result = run(gate, doc, command, ...args);
    if (result.ok) return result;
    trouble(told(result));
    return null;
  };
