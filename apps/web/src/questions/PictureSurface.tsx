import type { AssetRef, Spot } from '@gobrel/core';
import type { KeyboardEvent, PointerEvent, ReactElement, ReactNode, Ref } from 'react';
import { assetUrl } from '../api/assets';

/** Where something is pointed at, in shares of the surface; whatever it is scaled by. */
export function spotOf(event: { clientX: number; clientY: number }, surface: Element): Spot {
  const { left, top, width, height } = surface.getBoundingClientRect();
  const share = (value: number): number =>
    Math.round(Math.min(1, Math.max(0, value)) * 1000) / 1000;
  return { x: share((event.clientX - left) / width), y: share((event.clientY - top) / height) };
}

export const shapeOf = (picture: AssetRef | null): number =>
  picture ? picture.width / picture.height : 1.5;

/** As wide as there is room in the card, or on the page, for what stands below it and beside it. */
const fittingWidth = (ratio: number): string =>
  `min(100cqw - var(--beside, 0px), (100cqh - var(--below, 0px)) * ${ratio})`;

/** A picture with what belongs to it: below it, or beside it in a wide card. */
export function WithTools(props: { picture: ReactNode; tools?: ReactNode }): ReactElement {
  const { picture, tools } = props;
  return (
    <div className="[container-type:inline-size] in-[.question-card]:h-full in-[.question-card]:min-h-0 in-[.question-card]:flex-1 in-[.question-card]:[container-type:size]">
      {tools ? (
        <div className="flex flex-col gap-[10px] [--below:112px] @min-[760px]:flex-row @min-[760px]:justify-center @min-[760px]:[--below:6px] @min-[760px]:[--beside:240px]">
          {picture}
          <div className="min-w-0 @min-[760px]:w-[226px]" style={{ fontSize: '0.72em' }}>
            {tools}
          </div>
        </div>
      ) : (
        <div className="flex flex-col">{picture}</div>
      )}
    </div>
  );
}

/** A question's picture, or plain paper, to point at, pick from and draw on; what lies over it is given in shares. */
export function PictureSurface(props: {
  picture: AssetRef | null;
  alt: string;
  children?: ReactNode;
  label?: string;
  ref?: Ref<HTMLDivElement>;
  onPointerDown?: (event: PointerEvent<HTMLDivElement>) => void;
  onPointerMove?: (event: PointerEvent<HTMLDivElement>) => void;
  onPointerUp?: (event: PointerEvent<HTMLDivElement>) => void;
  onKeyDown?: (event: KeyboardEvent<HTMLDivElement>) => void;
}): ReactElement {
  const { picture, alt, label, children, ...hands } = props;
  const isWorked = label !== undefined;
  return (
    <div
      {...hands}
      {...(isWorked
        ? { role: 'application', 'aria-label': label, 'data-pulled': '', tabIndex: 0 }
        : {})}
      className={`group relative max-w-full shrink-0 self-center overflow-hidden rounded-[6px] border-2 border-line bg-sheet select-none ${isWorked ? 'cursor-crosshair touch-none' : ''}`}
      style={{ aspectRatio: shapeOf(picture), width: fittingWidth(shapeOf(picture)) }}
    >
      {picture && (
        <img
          src={assetUrl(picture, 640)}
          alt={alt}
          draggable={false}
          className="absolute inset-0 size-full object-fill"
        />
      )}
      {children}
    </div>
  );
}

/** The picture of a question that is only looked at. */
export function QuestionPicture(props: {
  picture: AssetRef | null;
  alt: string;
}): ReactElement | null {
  const { picture, alt } = props;
  return picture ? (
    <img
      src={assetUrl(picture, 640)}
      alt={alt}
      className="mx-auto block max-h-[9em] min-h-0 max-w-full shrink rounded-[4px] object-contain"
    />
  ) : null;
}
