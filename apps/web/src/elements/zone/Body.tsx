import type { ZoneElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { BodyProps } from '../kind';

const SEEN = { border: '4px dashed #E8CE86', background: '#ffffff22' };

export const Body = ({ element }: BodyProps<ZoneElement>): ReactElement => (
  <div
    className="size-full rounded-(--dress-corner)"
    style={element.isVisible ? SEEN : undefined}
  />
);
