import type { FormulaElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { TexRun } from '../../parts/TexRun';
import type { PhoneProps } from '../phone';

export const Phone = ({ element }: PhoneProps<FormulaElement>): ReactElement => (
  <div className="overflow-x-auto py-1 text-center text-[20px]">
    <TexRun tex={element.tex} spoken={element.spoken} />
  </div>
);
