import type { PictureElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { GripProps } from '../kind';
import { OutlineGrips } from '../shape/Grips';

/** The outline that a picture is cut to. */
export const Grips = (props: GripProps<PictureElement>): ReactElement => (
  <OutlineGrips {...props} shape={props.element.mask} />
);
