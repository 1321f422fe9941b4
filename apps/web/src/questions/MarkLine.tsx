import type { StudentMark } from '@gobrel/core';
import type { ReactElement } from 'react';

/** What the answer was worth, and what the teacher says to it. */
export default function MarkLine({ mark }: { mark: StudentMark }): ReactElement | null {
  const { score, points, explanation, comment, stamp } = mark;
  const said =
    score === null ? '' : score === 1 ? 'Right' : score > 0 ? 'Partly right' : 'Not right yet';
  if (!said && !explanation && !comment && !stamp) return null;
  const worth = Math.round((score ?? 0) * points * 10) / 10;
  return (
    <div
      role="status"
      className="rounded-[8px] bg-petrol-mist px-[0.8em] py-[0.4em]"
      style={{ fontSize: '0.78em' }}
    >
      {said && (
        <b className="text-petrol">
          {said} · {worth} of {points}{' '}
        </b>
      )}
      {stamp && <span className="font-semibold">{stamp} </span>}
      {comment && <p className="whitespace-pre-wrap">{comment}</p>}
      {explanation && <p className="whitespace-pre-wrap">{explanation}</p>}
    </div>
  );
}
