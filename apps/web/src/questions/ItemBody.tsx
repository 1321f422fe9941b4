import type { Item } from '@gobrel/core';
import type { ReactElement } from 'react';
import { assetUrl } from '../api/assets';
import { withFormulas } from '../parts/withFormulas';

/** What one of several things says: its words, its picture, or both. */
export function ItemBody({ item }: { item: Item }): ReactElement {
  return (
    <>
      {item.picture && (
        <img
          src={assetUrl(item.picture, 320)}
          alt={item.text ? '' : 'Picture'}
          className="h-[2.8em] max-w-[45%] rounded-[4px] object-contain"
        />
      )}
      <span>{withFormulas(item.text)}</span>
    </>
  );
}
