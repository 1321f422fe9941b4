import type { DeskStudent } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import type { DeskActions } from '../lesson/useDeskActions';

const CROWDS = [8, 24, 60, 200];

/** Simulated students to try the lesson with; taken out again in one click with all they did. */
export function Practice(props: {
  students: readonly DeskStudent[];
  act: DeskActions;
}): ReactElement {
  const { act } = props;
  const count = props.students.filter(({ isPractice }) => isPractice).length;
  if (count > 0) {
    return (
      <Button size="small" onClick={() => act.practice(0)}>
        Practice class · {count}: take it out
      </Button>
    );
  }
  return (
    <Sheet
      label="Practice class"
      width={300}
      trigger={<Button size="small">Practice class</Button>}
    >
      {(close) => (
        <>
          <p className="mb-2 text-soft">
            Simulated students join over the network like real ones: quick and slow ones, some who
            wander, err, or drop their connection.
          </p>
          <div className="flex gap-1.5">
            {CROWDS.map((size) => (
              <Button
                key={size}
                onClick={() => {
                  act.practice(size);
                  close();
                }}
              >
                {size}
              </Button>
            ))}
          </div>
        </>
      )}
    </Sheet>
  );
}
