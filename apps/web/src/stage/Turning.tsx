import type { Deck, Slide, Turn } from '@gobrel/core';
import { Component, createRef, type ReactElement, type ReactNode } from 'react';

interface TurningProps {
  deck: Pick<Deck, 'turn'>;
  slide: Slide;
  children: ReactNode;
}

const FIELDS = 'input, textarea, select';
const LASTS: Record<Turn, number> = { cut: 0, fade: 260, page: 520, travel: 460 };

/**
 * One slide gives way to the next as the deck or the slide says. What leaves is a picture of how it looked last, with
 * answers and pieces as they lay; only a class is told before React takes that away. Nothing moves for whoever wants
 * reduced motion.
 */
export class Turning extends Component<TurningProps> {
  readonly #shown = createRef<HTMLDivElement>();
  /** Apart from what React keeps: it may take away and put in there while something is still leaving. */
  readonly #leaving = createRef<HTMLDivElement>();

  override getSnapshotBeforeUpdate(before: TurningProps): HTMLElement | null {
    const { slide, deck } = this.props;
    const shown = this.#shown.current;
    const isStill =
      slide.id === before.slide.id ||
      (slide.turn ?? deck.turn) === 'cut' ||
      matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (isStill || !shown) return null;
    const picture = shown.cloneNode(true) as HTMLElement;
    const fields = picture.querySelectorAll<HTMLInputElement>(FIELDS);
    shown.querySelectorAll<HTMLInputElement>(FIELDS).forEach((field, at) => {
      const copy = fields[at];
      // Buttons of one group are one group: a copy that is marked would take the mark off the other.
      if (copy) Object.assign(copy, { name: '', value: field.value, checked: field.checked });
    });
    // A sound would be heard twice, and what is painted is no part of a copy.
    picture.querySelectorAll('audio, video').forEach((medium) => {
      medium.removeAttribute('autoplay');
      medium.removeAttribute('src');
    });
    const painted = shown.querySelectorAll('canvas');
    picture.querySelectorAll('canvas').forEach((canvas, at) => {
      const original = painted[at];
      if (original && original.width > 0 && original.height > 0)
        canvas.getContext('2d')?.drawImage(original, 0, 0);
    });
    return picture;
  }

  override componentDidUpdate(before: TurningProps, _: unknown, left: HTMLElement | null): void {
    const [comes, leaving] = [this.#shown.current, this.#leaving.current];
    if (!left || !comes || !leaving) return;
    const { slide, deck } = this.props;
    const turn = slide.turn ?? deck.turn;
    Object.assign(left, { inert: true, ariaHidden: 'true' });
    left.dataset.leaving = '';
    Object.assign(left.style, { position: 'absolute', inset: '0', pointerEvents: 'none' });
    // One that is still leaving has left.
    leaving.replaceChildren(left);
    const timing = { duration: LASTS[turn], easing: 'ease-in-out' };
    const [dx, dy] = wayOf(before.slide, slide);
    const way = `${dx * 100}% ${dy * 100}%`;
    const away = `${dx * -100}% ${dy * -100}%`;
    left.style.transformOrigin = dx < 0 ? 'right' : 'left';
    const leaves = {
      cut: {},
      fade: { opacity: [1, 0] },
      page: { transform: ['none', `perspective(2400px) rotateY(${dx < 0 ? 96 : -96}deg)`] },
      travel: { translate: ['0 0', away] },
    }[turn];
    if (turn === 'travel') comes.animate({ translate: [way, '0 0'] }, timing);
    left.animate(leaves, { ...timing, fill: 'forwards' }).onfinish = () => left.remove();
  }

  override render(): ReactElement {
    return (
      <div className="relative h-full w-full overflow-hidden">
        <div ref={this.#shown} className="h-full w-full">
          {this.props.children}
        </div>
        <div ref={this.#leaving} />
      </div>
    );
  }
}

/** Which way the wire goes from one card to another: across or down, whichever is more of it. */
function wayOf(from: Slide, to: Slide): [number, number] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  return Math.abs(dy) > Math.abs(dx) ? [0, Math.sign(dy)] : [Math.sign(dx) || 1, 0];
}
