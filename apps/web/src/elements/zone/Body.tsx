import type { ZoneElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { BodyProps } from '../kind';

export const Body = ({ element }: BodyProps<ZoneElement>): ReactElement => (
  <div className={`size-full rounded-(--dress-corner) ${element.isVisible ? 'dress-zone' : ''}`} />
);
