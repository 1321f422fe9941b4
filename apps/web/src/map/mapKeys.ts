import type { Link, LinkId, RouteGraph, Slide, SlideId } from '@gobrel/core';
import type { KeyboardEvent } from 'react';
import { neighbour } from './cardMoves';
import type { MapActions } from './MapBar';

interface Keys {
  slides: Slide[];
  /** The map grows to the left. */
  isLeftward: boolean;
  graph: RouteGraph;
  /** The slides in hand; one alone is walked from. */
  selected: Slide[];
  link: Link | undefined;
  act: MapActions;
  show: (slideIds: SlideId[]) => void;
  pickLink: (linkId: LinkId) => void;
  /** Takes one more card in hand. */
  pickMore: (slideId: SlideId) => void;
  pickAll: () => void;
  find: () => void;
  leave: () => void;
}

/** The keys of the map: a choice, a sibling, walking along wires, and the usual ones for what is in hand. */
export function onMapKey(event: KeyboardEvent, keys: Keys): void {
  const target = event.target as HTMLElement;
  if (target.closest('[role=toolbar], input, textarea, [role=dialog]')) return;
  const { selected, link, act } = keys;
  const doIt = event.ctrlKey || event.metaKey ? withControl(event, keys) : alone(event, keys);
  if (!doIt) return;
  event.preventDefault();
  event.stopPropagation();
  doIt();

  function alone({ key }: KeyboardEvent, { leave }: Keys): (() => unknown) | null {
    if (key === 'Escape') return leave;
    if (key === 'Delete' || key === 'Backspace') {
      return link || selected.length > 0 ? act.remove : null;
    }
    if (link) return onWire(event, link, keys);
    return selected.length === 1 ? onCard(event, selected[0]!, keys) : null;
  }
}

function withControl(event: KeyboardEvent, keys: Keys): (() => unknown) | null {
  const { selected, link, act } = keys;
  const [slide, ...more] = selected;
  switch (event.key.toLowerCase()) {
    case 'f':
      return keys.find;
    case 'a':
      return keys.pickAll;
    case 'k':
      if (link) return () => act.lead(link.id);
      // Two in hand: from the first that was picked to the second.
      return slide && more.length < 2 ? () => act.linkFrom(slide.id, more[0]?.id) : null;
    case 'g':
      return slide ? act.makeSection : null;
    case 'd':
      if (!slide) return null;
      return event.shiftKey && more.length === 0
        ? () => act.duplicateBelow(slide.id)
        : act.duplicate;
    default:
      return null;
  }
}

function onWire(event: KeyboardEvent, wire: Link, keys: Keys): (() => unknown) | null {
  const siblings = keys.graph.waysOut.get(wire.from) ?? [];
  const at = siblings.findIndex(({ id }) => id === wire.id);
  const step = (by: number): void => {
    const next = siblings[(at + by + siblings.length) % siblings.length];
    if (next) keys.pickLink(next.id);
  };
  switch (event.key) {
    case 'F2':
      return () => keys.act.reword(wire.id);
    case 'ArrowDown':
      return () => step(1);
    case 'ArrowUp':
      return () => step(-1);
    case 'ArrowLeft':
      return () => keys.show([wire.from]);
    case 'ArrowRight': {
      const [to] = keys.graph.to.get(wire.id) ?? [];
      return to ? () => keys.show([to]) : null;
    }
    default:
      return null;
  }
}

function onCard(event: KeyboardEvent, slide: Slide, keys: Keys): (() => unknown) | null {
  const { act, graph } = keys;
  const { id } = slide;
  if (event.altKey) {
    switch (event.key.toLowerCase()) {
      case 'arrowright': {
        const [first] = graph.waysOut.get(id) ?? [];
        return first ? () => keys.pickLink(first.id) : null;
      }
      case 'e':
        return () => act.setFlag([slide], 'isEnding', !slide.isEnding);
      case 'r':
        return () => act.setFlag([slide], 'isReady', !slide.isReady);
      case 's':
        return () => act.makeStart(id);
      default:
        return null;
    }
  }
  switch (event.key) {
    case 'Tab':
      return event.shiftKey ? null : () => act.addChoice(id);
    case 'Enter':
      return () => act.addBeside(id);
    case 'F2':
      return () => act.rename(slide);
    case 'ArrowRight':
    case 'ArrowLeft':
    case 'ArrowUp':
    case 'ArrowDown': {
      const next = neighbour(keys, slide, event.key);
      return () => {
        if (next && event.shiftKey) keys.pickMore(next);
        else if (next) keys.show([next]);
      };
    }
    default: {
      const isLetter = event.key.length === 1 && event.key !== ' ';
      return isLetter ? () => act.rename(slide, event.key) : null;
    }
  }
}
