import { Volume2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { AddFrom, type AddingProps } from '../../settings/Adding';
import { SoundChoice } from '../../settings/SoundPop';
import { mediaElement } from './making';

export const Adding = ({ slide, add }: AddingProps): ReactElement => (
  <AddFrom icon={Volume2} label="Sound" width={340}>
    {(choose) => (
      <SoundChoice
        onMedia={(media, name) => {
          choose();
          add(mediaElement(slide, media, name));
        }}
      />
    )}
  </AddFrom>
);
