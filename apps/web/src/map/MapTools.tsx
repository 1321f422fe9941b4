import { findSlides, type SlideId, titleOf } from '@gobrel/core';
import {
  ArrowDown,
  ArrowLeft,
  ArrowRight,
  BoxSelect,
  Focus,
  ListTree,
  Maximize,
  Route,
  Search,
  Sparkles,
  WandSparkles,
  type LucideIcon,
} from 'lucide-react';
import { useMemo, useState, type ReactElement, type Ref } from 'react';
import { useDeck } from '../deck/DeckContext';
import type { MapMoves } from './useMapMoves';
import { OVERLAYS, type Overlay } from '../cards/cardMark';
import { type MapSettings } from './mapSettings';

const ARROWS = { right: ArrowRight, down: ArrowDown, left: ArrowLeft } as const;

const OVERLAY_NAMES: Record<Overlay, string> = {
  none: 'Cards alone',
  state: 'Draft and ready',
  findings: 'Findings',
  words: 'Words per slide',
  routes: 'Routes',
  walks: 'Walks of students',
};

/** Above the map: panels, find, what is laid over it, the layout, and what is seen of it. */
export function MapTools(props: {
  settings: MapSettings;
  onChange: (change: Partial<MapSettings>) => void;
  sought: string;
  onSeek: (sought: string) => void;
  findField: Ref<HTMLInputElement>;
  onShow: (slideId: SlideId) => void;
  selected: string[];
  isSelecting: boolean;
  onSelecting: (is: boolean) => void;
  onTidy: (which: 'loose' | 'all') => void;
  isTidying: boolean;
  canTidy: boolean;
  moves: MapMoves;
}): ReactElement {
  const { settings, onChange } = props;
  return (
    <div
      role="toolbar"
      aria-label="View of the map"
      className="flex min-h-11 shrink-0 items-center gap-1 border-b border-line bg-paper px-3 max-md:flex-wrap max-md:py-1"
    >
      <Tool
        icon={ListTree}
        label="Written plan"
        isOn={settings.panel === 'plan'}
        onClick={() => onChange({ panel: settings.panel === 'plan' ? 'none' : 'plan' })}
      >
        Plan
      </Tool>
      <Tool
        icon={Route}
        label="Trails"
        isOn={settings.panel === 'trails'}
        onClick={() => onChange({ panel: settings.panel === 'trails' ? 'none' : 'trails' })}
      >
        Trails
      </Tool>
      <Gap />
      <Find {...props} />
      <Gap />
      <label className="flex items-center gap-1.5 text-[13px] text-soft">
        Laid over
        <select
          value={settings.overlay}
          onChange={(event) => onChange({ overlay: event.target.value as Overlay })}
          className="h-8 rounded-[4px] border border-line bg-sheet px-1.5 text-ink"
        >
          {OVERLAYS.map((overlay) => (
            <option key={overlay} value={overlay}>
              {OVERLAY_NAMES[overlay]}
            </option>
          ))}
        </select>
      </label>
      <Gap />
      <Tool
        icon={Sparkles}
        label="Tidy the cards that were not placed by hand"
        isOff={props.isTidying || !props.canTidy}
        onClick={() => props.onTidy('loose')}
      >
        {props.isTidying ? 'Tidying …' : 'Tidy'}
      </Tool>
      <Tool
        icon={WandSparkles}
        label="Tidy all cards, also those placed by hand"
        isOff={props.isTidying || !props.canTidy}
        onClick={() => props.onTidy('all')}
      />
      <Tool
        icon={ARROWS[settings.direction]}
        label={
          settings.direction === 'down'
            ? 'Grows down: let it grow sideways'
            : `Grows ${settings.direction}: let it grow down`
        }
        onClick={() => onChange({ direction: settings.direction === 'down' ? 'right' : 'down' })}
      />
      <Gap />
      <Tool
        icon={BoxSelect}
        label="Select by drawing a box (or hold Shift)"
        isOn={props.isSelecting}
        onClick={() => props.onSelecting(!props.isSelecting)}
      />
      <Tool icon={Maximize} label="Fit the whole map" onClick={() => props.moves.fit()} />
      <Tool
        icon={Focus}
        label="Zoom to what is selected"
        isOff={props.selected.length === 0}
        onClick={() => props.moves.fitCards(props.selected)}
      />
    </div>
  );
}

const Gap = (): ReactElement => <span className="mx-1 h-5 border-l border-line" />;

function Tool(props: {
  icon: LucideIcon;
  label: string;
  isOn?: boolean;
  isOff?: boolean;
  onClick: () => void;
  children?: string;
}): ReactElement {
  const { icon: Icon } = props;
  return (
    <button
      type="button"
      aria-label={props.label}
      title={props.label}
      aria-pressed={props.isOn}
      disabled={props.isOff}
      onClick={props.onClick}
      className="flex min-h-8 min-w-8 items-center justify-center gap-1.5 rounded-[4px] px-1.5 text-[13px] text-soft hover:bg-sand aria-pressed:bg-petrol-mist aria-pressed:font-semibold aria-pressed:text-petrol disabled:opacity-40"
    >
      <Icon size={16} aria-hidden />
      {props.children}
    </button>
  );
}

const MOST_FOUND = 12;

function Find(props: {
  sought: string;
  onSeek: (sought: string) => void;
  findField: Ref<HTMLInputElement>;
  onShow: (slideId: SlideId) => void;
}): ReactElement {
  const { deck, graph } = useDeck();
  const { sought, onSeek, onShow } = props;
  const [at, setAt] = useState(0);
  const [isOpen, setIsOpen] = useState(false);
  const found = useMemo(
    () => (sought.trim() === '' ? [] : findSlides(deck, graph, sought)),
    [deck, graph, sought],
  );
  const go = (index: number): void => {
    const hit = found[index];
    if (!hit) return;
    setAt(index);
    onShow(hit.slideId);
  };
  return (
    <div className="relative">
      <label className="flex h-8 items-center gap-1.5 rounded-[4px] border border-line bg-sheet px-2">
        <Search size={14} aria-hidden className="text-soft" />
        <input
          ref={props.findField}
          type="search"
          role="combobox"
          aria-label="Find on the map"
          aria-expanded={isOpen && found.length > 0}
          aria-controls="map-found"
          placeholder="Find title, text or choice"
          value={sought}
          onFocus={() => setIsOpen(true)}
          onBlur={() => setIsOpen(false)}
          onChange={(event) => {
            onSeek(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === 'ArrowDown') setAt(Math.min(at + 1, found.length - 1));
            else if (event.key === 'ArrowUp') setAt(Math.max(at - 1, 0));
            else if (event.key === 'Enter') {
              go(at);
              setAt((at + 1) % Math.max(1, found.length));
            } else if (event.key === 'Escape') onSeek('');
            else return;
            event.preventDefault();
          }}
          className="w-[170px] bg-transparent text-[13px] outline-none"
        />
        {sought.trim() !== '' && <span className="text-[12px] text-soft">{found.length}</span>}
      </label>
      {isOpen && found.length > 0 && (
        <ul
          id="map-found"
          role="listbox"
          aria-label="Found"
          className="absolute top-9 left-0 z-30 w-[300px] rounded-[6px] border border-line bg-sheet p-1"
        >
          {found.slice(0, MOST_FOUND).map(({ slideId, words }, index) => (
            <li
              key={slideId}
              role="option"
              aria-selected={index === at}
              onPointerDown={(event) => {
                event.preventDefault();
                go(index);
              }}
              className="flex min-h-8 cursor-pointer items-center gap-2 rounded-[4px] px-2 text-[13px] hover:bg-sand aria-selected:bg-petrol-mist"
            >
              <span className="truncate font-semibold">{titleOf(deck.slides[slideId])}</span>
              {words !== titleOf(deck.slides[slideId]) && (
                <span className="truncate text-soft">“{words.trim()}”</span>
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
