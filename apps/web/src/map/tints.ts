import type { Tint } from '@gobrel/core';

/** Tints of sections and trails: a line, a wash for regions, an ink that reads on paper. */
export const TINT_COLOURS: Record<Tint, { line: string; wash: string; ink: string }> = {
  petrol: { line: '#4E8791', wash: '#17505c14', ink: '#17505C' },
  brass: { line: '#B58E3A', wash: '#a97f2218', ink: '#6F5110' },
  moss: { line: '#7A9350', wash: '#5e7f3a18', ink: '#46602A' },
  plum: { line: '#8E6690', wash: '#7a4b7816', ink: '#653B63' },
  slate: { line: '#7389A0', wash: '#4a6a8a16', ink: '#3A5470' },
  clay: { line: '#A88468', wash: '#8f674918', ink: '#6B4A31' },
};

/** Trails are told apart by their dashes too. */
export const DASHES = ['', '10 6', '2 7', '14 5 2 5', '5 5', '18 8'] as const;
