import { Maximize2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** The way back out of a close-up. */
export default function WholeSlide({ onLeave }: { onLeave: () => void }): ReactElement {
  return (
    <Button size="large" className="absolute top-3 right-3 z-20" onClick={onLeave}>
      <Maximize2 size={18} aria-hidden /> Whole slide
    </Button>
  );
}
