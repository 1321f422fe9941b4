import type { SlideId } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { SlideCard } from '../map/SlideCard';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useDeck } from '../workspace/DeckContext';

/** Where a link leads: picked from thumbnails, found by typing, or a slide made on the spot. */
export function LinkPicker(props: {
  isOpen: boolean;
  title: string;
  current?: SlideId;
  onPick: (slideId: SlideId) => void;
  onNew: (title: string) => void;
  onClose: () => void;
}): ReactElement {
  const { deck, graph } = useDeck();
  const [sought, setSought] = useState('');
  const wanted = sought.trim().toLowerCase();
  const slides = Object.values(deck.slides)
    .filter((slide) => slide.title.toLowerCase().includes(wanted))
    .sort((a, b) => a.x - b.x || a.y - b.y);
  const close = (): void => {
    setSought('');
    props.onClose();
  };
  return (
    <Dialog title={props.title} isOpen={props.isOpen} onClose={close} isWide>
      <div className="mb-4 flex gap-2">
        <input
          autoFocus
          type="search"
          aria-label="Find a slide, or name a new one"
          placeholder="Find a slide, or name a new one"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
          className="h-10 flex-1 rounded-[6px] border border-line bg-sheet px-3"
        />
        <Button
          className="min-h-10"
          disabled={wanted === ''}
          onClick={() => {
            props.onNew(sought.trim());
            close();
          }}
        >
          New slide
        </Button>
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,150px)] gap-3">
        {slides.map((slide) => (
          <li key={slide.id}>
            <button
              type="button"
              aria-label={slide.title || 'Untitled'}
              aria-current={slide.id === props.current || undefined}
              className="block text-left"
              onClick={() => {
                props.onPick(slide.id);
                close();
              }}
            >
              <SlideCard
                slide={slide}
                theme={deck.theme}
                links={graph.waysOut.get(slide.id) ?? []}
                isSelected={slide.id === props.current}
                isStart={slide.id === deck.startSlideId}
              />
            </button>
          </li>
        ))}
      </ul>
      {slides.length === 0 && (
        <p className="text-soft">No slide is called that. “New slide” makes one.</p>
      )}
    </Dialog>
  );
}
