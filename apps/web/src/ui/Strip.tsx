import { ChevronLeft, ChevronRight, type LucideIcon } from 'lucide-react';
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { keepFocus } from './controls';

/** A row of settings in one line. What does not fit is told by an arrow at that end, and comes by pressing it. */
export function Strip(props: {
  label: string;
  children: ReactNode;
  /** Always in sight at the end, however much there is before it. */
  last?: ReactNode;
}): ReactElement {
  const row = useRef<HTMLDivElement>(null);
  const [hidden, setHidden] = useState({ before: false, after: false });
  useEffect(() => {
    const element = row.current;
    if (!element) return;
    const look = (): void => {
      const before = element.scrollLeft > 1;
      const after = element.scrollLeft + element.clientWidth < element.scrollWidth - 1;
      setHidden((old) => (old.before === before && old.after === after ? old : { before, after }));
    };
    const sizes = new ResizeObserver(look);
    const watch = (): void => {
      sizes.disconnect();
      sizes.observe(element);
      for (const child of element.children) sizes.observe(child);
      look();
    };
    watch();
    const children = new MutationObserver(watch);
    children.observe(element, { childList: true });
    element.addEventListener('scroll', look, { passive: true });
    return () => {
      sizes.disconnect();
      children.disconnect();
      element.removeEventListener('scroll', look);
    };
  }, []);
  const turn = (pages: number): void => {
    const element = row.current;
    element?.scrollBy({ left: pages * 0.7 * element.clientWidth });
  };
  return (
    <div role="group" aria-label={props.label} className="flex h-[42px] items-center">
      {hidden.before && (
        <Turn icon={ChevronLeft} label="Earlier settings" onTurn={() => turn(-1)} />
      )}
      <div
        ref={row}
        className="flex h-full min-w-0 flex-1 items-center gap-x-3.5 overflow-x-auto motion-safe:scroll-smooth text-[13px] whitespace-nowrap [scrollbar-width:none] *:shrink-0"
      >
        {props.children}
      </div>
      {hidden.after && <Turn icon={ChevronRight} label="Further settings" onTurn={() => turn(1)} />}
      {props.last && (
        <span className="flex shrink-0 items-center gap-x-3 pl-3 text-[13px]">{props.last}</span>
      )}
    </div>
  );
}

function Turn(props: { icon: LucideIcon; label: string; onTurn: () => void }): ReactElement {
  const { icon: Icon, label } = props;
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onPointerDown={keepFocus}
      onClick={props.onTurn}
      className="grid h-9 w-7 shrink-0 place-items-center rounded-[4px] bg-petrol-mist text-petrol hover:bg-sand"
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
