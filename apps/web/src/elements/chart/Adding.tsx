import { CHART_FORMS } from '@gobrel/core';
import { ChartColumn } from 'lucide-react';
import type { ReactElement } from 'react';
import { AddFrom, type AddingProps } from '../../settings/Adding';
import { chartElement } from './making';
import { FORM_NAMES } from './names';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <AddFrom icon={ChartColumn} label="Chart" width={160}>
    {(choose) => (
      <div className="flex flex-col" role="group" aria-label="Forms of chart">
        {CHART_FORMS.map((form) => (
          <button
            key={form}
            type="button"
            onClick={() => {
              choose();
              add(chartElement(slide, layer, form));
            }}
            className="min-h-9 rounded-[4px] px-2 text-left hover:bg-sand"
          >
            {FORM_NAMES[form]}
          </button>
        ))}
      </div>
    )}
  </AddFrom>
);
