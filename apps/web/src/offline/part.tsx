import {
  Component,
  createContext,
  lazy,
  useContext,
  useEffect,
  useState,
  type ComponentType,
  type ReactElement,
  type ReactNode,
} from 'react';

/** Milliseconds between two tries to fetch a part that could not be. */
const AGAIN = 5000;

const Retry = createContext<() => void>(() => undefined);

/**
 * A component that is downloaded when it is first shown. When its file cannot be fetched it says so in its place, tries
 * again by itself and when asked, and leaves the rest of the page as it is.
 */
export function part<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): (props: P) => ReactElement {
  let Loaded = lazy(load);
  return function Part(props: P): ReactElement {
    const [tries, setTries] = useState(0);
    const again = (): void => {
      Loaded = lazy(load);
      setTries((before) => before + 1);
    };
    return (
      <Retry value={again}>
        <Boundary key={tries}>
          <Loaded {...props} />
        </Boundary>
      </Retry>
    );
  };
}

/** What a bundler's import throws when a file cannot be fetched; anything else is a fault of the part itself. */
const isUnfetched = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|module script|preload CSS|Failed to fetch/i.test(error.message);

export class Boundary extends Component<{ children: ReactNode }, { error: unknown }> {
  override state: { error: unknown } = { error: null };

  static getDerivedStateFromError(error: unknown): { error: unknown } {
    return { error };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (error === null) return this.props.children;
    return isUnfetched(error) ? (
      <Unfetched />
    ) : (
      <Broken onAgain={() => this.setState({ error: null })} />
    );
  }
}

/** By whatever version is the newest; plainly where not even that can be fetched. */
const loadAnew = (): void =>
  void import('./install').then(
    (install) => install.loadAnew(),
    () => window.location.reload(),
  );

const BOX =
  'm-2 max-w-[420px] rounded-[6px] border border-brass bg-brass-mist p-4 text-[14px] text-ink';
const BUTTON = 'min-h-9 rounded-[6px] border border-petrol px-3 font-semibold text-petrol';

function Unfetched(): ReactElement {
  const again = useContext(Retry);
  useEffect(() => {
    const timer = setInterval(again, AGAIN);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [again]);
  return (
    <Stopped again="Try again now" onAgain={again}>
      This part could not be fetched. It is tried again until it comes; what you have done is kept.
    </Stopped>
  );
}

function Broken({ onAgain }: { onAgain: () => void }): ReactElement {
  return (
    <Stopped again="Show it again" onAgain={onAgain}>
      Something went wrong here, and this part had to stop. What you have done is kept.
    </Stopped>
  );
}

/** What stands in the place of a part that cannot be shown. */
function Stopped(props: { again: string; onAgain: () => void; children: ReactNode }): ReactElement {
  return (
    <div role="alert" className={BOX}>
      <p className="mb-3">{props.children}</p>
      <span className="flex flex-wrap gap-2">
        <button type="button" className={BUTTON} onClick={props.onAgain}>
          {props.again}
        </button>
        <button type="button" className={BUTTON} onClick={loadAnew}>
          Load the page anew
        </button>
      </span>
    </div>
  );
}
