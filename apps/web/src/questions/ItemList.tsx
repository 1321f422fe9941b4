import { newId, type CreditedAsset, type Item } from '@gobrel/core';
import { ArrowDown, ArrowUp, Image, Plus, Trash2 } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { assetUrl } from '../api/assets';
import { PicturePop } from '../ui/PicturePop';
import { Button } from '../ui/Button';

/** Things that a question is made of: words, or a picture, or both; added, ordered and taken out. */
export function ItemList(props: {
  items: readonly Item[];
  most: number;
  /** What one of them is called: option, thing. */
  noun: string;
  isOrdered?: boolean;
  before?: (item: Item, index: number) => ReactNode;
  after?: (item: Item, index: number) => ReactNode;
  onChange: (items: Item[]) => void;
}): ReactElement {
  const { items, most, noun, onChange } = props;
  const set = (id: string, changed: Partial<Item>): void =>
    onChange(items.map((item) => (item.id === id ? { ...item, ...changed } : item)));
  const swap = (index: number, other: number): void => {
    const moved = [...items];
    [moved[index], moved[other]] = [moved[other]!, moved[index]!];
    onChange(moved);
  };
  return (
    <>
      <ul className="flex flex-col gap-2">
        {items.map((item, index) => (
          <li key={item.id} className="flex items-center gap-1.5">
            {props.before?.(item, index)}
            <ItemPicture
              label={`Picture of ${noun} ${index + 1}`}
              picture={item.picture}
              onPicture={(picture) => set(item.id, { picture })}
            />
            <input
              aria-label={`${noun[0]!.toUpperCase()}${noun.slice(1)} ${index + 1}`}
              value={item.text}
              maxLength={500}
              onChange={(event) => set(item.id, { text: event.target.value })}
              className="h-10 min-w-0 flex-1 rounded-[6px] border border-line bg-sheet px-3"
            />
            {props.after?.(item, index)}
            {props.isOrdered && (
              <>
                <Button
                  look="quiet"
                  aria-label={`${noun} ${index + 1}: up`}
                  disabled={index === 0}
                  onClick={() => swap(index, index - 1)}
                >
                  <ArrowUp size={15} />
                </Button>
                <Button
                  look="quiet"
                  aria-label={`${noun} ${index + 1}: down`}
                  disabled={index === items.length - 1}
                  onClick={() => swap(index, index + 1)}
                >
                  <ArrowDown size={15} />
                </Button>
              </>
            )}
            <Button
              look="quiet"
              aria-label={`Remove ${noun} ${index + 1}`}
              onClick={() => onChange(items.filter(({ id }) => id !== item.id))}
            >
              <Trash2 size={16} />
            </Button>
          </li>
        ))}
      </ul>
      <Button
        size="small"
        look="quiet"
        className="mt-2"
        disabled={items.length >= most}
        onClick={() => onChange([...items, { id: newId(), text: '', picture: null }])}
      >
        <Plus size={15} /> Add {/^[aeiou]/.test(noun) ? 'an' : 'a'} {noun}
      </Button>
    </>
  );
}

function ItemPicture(props: {
  label: string;
  picture: CreditedAsset | null;
  onPicture: (picture: CreditedAsset | null) => void;
}): ReactElement {
  const { label, picture, onPicture } = props;
  if (picture) {
    return (
      <button
        type="button"
        aria-label={`${label}: take it out`}
        title="Take the picture out"
        onClick={() => onPicture(null)}
        className="size-10 shrink-0 rounded-[6px] border border-line hover:border-petrol"
      >
        <img src={assetUrl(picture, 80)} alt="" className="size-full object-contain" />
      </button>
    );
  }
  return (
    <PicturePop
      label={label}
      trigger={
        <button
          type="button"
          aria-label={label}
          className="grid size-10 shrink-0 place-items-center rounded-[6px] text-soft hover:bg-sand"
        >
          <Image size={16} aria-hidden />
        </button>
      }
      onPicture={({ asset, credit }) => onPicture({ ...asset, ...(credit ? { credit } : {}) })}
    />
  );
}

/** Items that say something. */
export const filled = (items: readonly Item[]): Item[] =>
  items.filter(({ text, picture }) => text.trim() !== '' || picture !== null);

/** In an order that says nothing: by identities, which are made by chance. */
export const unordered = (items: readonly Item[]): Item[] =>
  [...items].sort((a, b) => (a.id < b.id ? -1 : 1));
