import { createContext, useContext, type ReactElement, type ReactNode } from 'react';
import { Link } from 'react-router';

export function Mark({ size = 26 }: { size?: number }): ReactElement {
  return <img src="/mark.svg" alt="" width={size} height={size} />;
}

/** The one thin header: what stands left, what stands right. */
export function Header({ left, right }: { left: ReactNode; right?: ReactNode }): ReactElement {
  return (
    <header className="flex min-h-12 shrink-0 items-center gap-3 border-b border-line px-4 max-lg:flex-wrap max-lg:py-1">
      <Link to="/" aria-label="All decks" className="shrink-0 rounded-[6px] p-0.5">
        <Mark />
      </Link>
      {left}
      <div className="ml-auto flex items-center gap-3 max-lg:flex-wrap">{right}</div>
    </header>
  );
}

const IsWithinMain = createContext(false);

/** The main part of a page. A title is for those who do not see what the page shows. */
export function Main(props: {
  title?: string;
  label?: string;
  className?: string;
  children: ReactNode;
}): ReactElement {
  return (
    <IsWithinMain value={true}>
      <main aria-label={props.label} className={props.className}>
        {props.title !== undefined && <h1 className="sr-only">{props.title}</h1>}
        {props.children}
      </main>
    </IsWithinMain>
  );
}

/** The middle of an otherwise empty page: opening, not found, nothing here yet. */
export function Centre({
  title,
  children,
}: {
  title?: string;
  children?: ReactNode;
}): ReactElement {
  const isPart = useContext(IsWithinMain);
  const [Frame, Title] = isPart ? (['div', 'h2'] as const) : (['main', 'h1'] as const);
  return (
    <Frame className="grid h-full place-items-center p-6 text-center">
      <div className="max-w-[420px]">
        {title && <Title className="text-[24px] mb-2">{title}</Title>}
        <div className="text-soft">{children}</div>
      </div>
    </Frame>
  );
}

/** The first letters of a name; of one that ends in a number, the number. */
export const initialsOf = (name: string): string =>
  /\s(\d{1,3})$/.exec(name)?.[1] ??
  name
    .split(/\s+/)
    .map((part) => part[0] ?? '')
    .slice(0, 2)
    .join('')
    .toUpperCase();

export function Initials({ name, isMuted }: { name: string; isMuted?: boolean }): ReactElement {
  return (
    <span
      title={name}
      aria-label={name}
      role="img"
      className={`grid size-[26px] shrink-0 place-items-center rounded-full border-[1.5px] text-[11px] font-bold ${
        isMuted ? 'border-line text-soft' : 'border-petrol text-petrol bg-sheet'
      }`}
    >
      {initialsOf(name)}
    </span>
  );
}

export function Badge({
  children,
  tone = 'plain',
}: {
  children: ReactNode;
  tone?: 'plain' | 'brass' | 'petrol';
}): ReactElement {
  const tones = {
    plain: 'border-line bg-sheet text-ink',
    brass: 'border-[#e4cf95] bg-brass-mist text-brass-deep',
    petrol: 'border-petrol text-petrol bg-sheet',
  };
  return (
    <span
      className={`inline-flex items-center rounded-full border px-2 text-[12.5px] leading-[21px] whitespace-nowrap ${tones[tone]}`}
    >
      {children}
    </span>
  );
}
