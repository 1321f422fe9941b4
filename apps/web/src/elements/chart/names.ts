import type { ChartForm } from '@gobrel/core';

export const FORM_NAMES: Record<ChartForm, string> = {
  bars: 'Bars',
  line: 'Line',
  pie: 'Pie',
  points: 'Points',
};
