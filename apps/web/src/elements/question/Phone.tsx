import type { QuestionElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { PhoneProps } from '../phone';

export const Phone = ({ element, ask }: PhoneProps<QuestionElement>): ReactElement => ask(element);
