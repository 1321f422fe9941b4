import { Image } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';
import { PicturePop } from '../../ui/PicturePop';
import { pictureElement } from './making';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <PicturePop
    label="Picture"
    trigger={<Add icon={Image} label="Picture" />}
    onPicture={({ asset, credit, alt }) =>
      add(pictureElement(slide, asset, layer === 'background', credit, alt))
    }
  />
);
