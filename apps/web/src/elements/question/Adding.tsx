import { QUESTION_KINDS, questionLabel } from '@gobrel/core';
import { CircleHelp } from 'lucide-react';
import type { ReactElement } from 'react';
import { AddFrom, type AddingProps } from '../../settings/Adding';
import { questionElement } from './making';

export const Adding = ({ slide, add }: AddingProps): ReactElement => (
  <AddFrom icon={CircleHelp} label="Question" width={180}>
    {(choose) => (
      <div className="flex flex-col" role="group" aria-label="Kinds of question">
        {QUESTION_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            onClick={() => {
              choose();
              add(questionElement(slide, kind));
            }}
            className="min-h-9 rounded-[4px] px-2 text-left hover:bg-sand"
          >
            {questionLabel(kind)}
          </button>
        ))}
      </div>
    )}
  </AddFrom>
);
