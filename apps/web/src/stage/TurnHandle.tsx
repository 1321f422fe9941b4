import type { Box } from '@gobrel/core';
import { RotateCw } from 'lucide-react';
import type { ReactElement } from 'react';

/** Turns the piece that is picked, for fingers. */
export default function TurnHandle(props: {
  label: string;
  box: Box;
  onTurn: () => void;
}): ReactElement {
  const { label, box, onTurn } = props;
  return (
    <button
      type="button"
      aria-label={`Turn ${label}`}
      onClick={onTurn}
      className="absolute z-10 grid size-[56px] place-items-center rounded-full border-[3px] border-petrol bg-sheet text-petrol"
      style={{ left: box.x + box.w / 2 - 28, top: Math.max(0, box.y - 66) }}
    >
      <RotateCw size={32} aria-hidden />
    </button>
  );
}
