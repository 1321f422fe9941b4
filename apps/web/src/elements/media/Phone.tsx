import type { MediaElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { PhoneProps } from '../phone';
import Body from './Body';

export const Phone = ({ element }: PhoneProps<MediaElement>): ReactElement => (
  <div className="flex flex-col gap-1">
    {element.name && <span className="font-semibold">{element.name}</span>}
    <div className={element.medium === 'video' ? 'aspect-video' : undefined}>
      <Body element={element} scale={1} isPlain />
    </div>
    {element.transcript && (
      <details>
        <summary className="min-h-11 py-2 text-petrol">What is said</summary>
        <p className="whitespace-pre-wrap">{element.transcript}</p>
      </details>
    )}
  </div>
);
