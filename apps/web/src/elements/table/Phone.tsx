import { type TableElement, PAPER } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { PhoneProps } from '../phone';
import Body from './Body';

export const Phone = ({ element, links, onFollow }: PhoneProps<TableElement>): ReactElement => (
  <div className="overflow-x-auto [&_table]:table-auto">
    <Body
      element={{ ...element, size: 17, colour: null }}
      theme={PAPER}
      links={links}
      onFollow={onFollow}
    />
  </div>
);
