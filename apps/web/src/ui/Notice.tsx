import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';

interface Told {
  text: string;
  tone: 'plain' | 'trouble';
}
interface Notices {
  tell(text: string): void;
  /** For what went wrong, or was refused. */
  trouble(text: string): void;
}

const Context = createContext<Notices | null>(null);

/** One sentence under the page's head, read aloud, gone after a while. */
export function NoticeProvider({ children }: { children: ReactNode }): ReactElement {
  const [told, setTold] = useState<Told | null>(null);
  useEffect(() => {
    if (!told) return;
    const timer = setTimeout(() => setTold(null), 6000);
    return () => clearTimeout(timer);
  }, [told]);
  const tell = useCallback((text: string) => setTold({ text, tone: 'plain' }), []);
  const trouble = useCallback((text: string) => setTold({ text, tone: 'trouble' }), []);
  const notices = useMemo(() => ({ tell, trouble }), [tell, trouble]);
  return (
    <Context value={notices}>
      {children}
      <div
        role="status"
        className="pointer-events-none fixed top-14 left-1/2 z-[60] -translate-x-1/2 max-w-[min(560px,92vw)]"
      >
        {told && (
          <div
            className={`rounded-[6px] border px-4 py-2.5 font-medium ${
              told.tone === 'trouble'
                ? 'border-[#e6c4b6] bg-ember-mist text-ember-deep'
                : 'border-line bg-sheet'
            }`}
          >
            {told.text}
          </div>
        )}
      </div>
    </Context>
  );
}

export function useNotices(): Notices {
  const notices = useContext(Context);
  if (!notices) throw new Error('no NoticeProvider');
  return notices;
}
