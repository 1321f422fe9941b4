import { cleanup, render, screen, waitFor } from '@testing-library/react';
import { Suspense, use, type ReactElement } from 'react';
import { createRoot } from 'react-dom/client';
import * as Y from 'yjs';
import { RichTextEditor } from './RichTextEditor';

function sharedText(words: string): Y.XmlFragment {
  const fragment = new Y.Doc().getXmlFragment('text');
  const paragraph = new Y.XmlElement('paragraph');
  paragraph.insert(0, [new Y.XmlText(words)]);
  fragment.insert(0, [paragraph]);
  return fragment;
}

const nothing = (): void => undefined;

/** Something that is fetched, and arrives when it is told to. */
function held(): { here: Promise<void>; arrive: () => void } {
  let arrive: () => void = nothing;
  const here = new Promise<void>((resolve) => (arrive = resolve));
  return { here, arrive };
}

function Wait({ until }: { until: Promise<void> }): ReactElement | null {
  use(until);
  return null;
}

afterEach(cleanup);

describe('typing into a shared text', () => {
  it('begins with all that is there, and what is typed is shared', () => {
    const fragment = sharedText('Tide pools');
    render(<RichTextEditor fragment={fragment} label="Text" onEnd={nothing} />);
    const field = screen.getByRole('textbox', { name: 'Text' });
    expect(field.textContent).toBe('Tide pools');
    expect(document.activeElement).toBe(field);
  });

  it('tells who asks which editor there is, and that there is none any more', () => {
    const told: boolean[] = [];
    const onEditor = (editor: unknown): void => void told.push(editor !== null);
    const fragment = sharedText('Crab');
    const { unmount } = render(
      <RichTextEditor fragment={fragment} label="Text" onEditor={onEditor} onEnd={nothing} />,
    );
    expect(told.at(-1)).toBe(true);
    unmount();
    expect(told.at(-1)).toBe(false);
  });

  it('keeps the same field when its name changes', () => {
    const fragment = sharedText('Crab');
    const { rerender } = render(
      <RichTextEditor fragment={fragment} label="Crab" onEnd={nothing} />,
    );
    const field = screen.getByRole('textbox');
    rerender(<RichTextEditor fragment={fragment} label="Crabs" onEnd={nothing} />);
    expect(screen.getByRole('textbox')).toBe(field);
  });

  it('begins though React draws it some time before it shows it', async () => {
    const fragment = sharedText('Crab');
    const first = held();
    const second = held();
    const world = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
    world.IS_REACT_ACT_ENVIRONMENT = false;
    const root = createRoot(document.body.appendChild(document.createElement('div')));
    try {
      root.render(
        <>
          <Suspense fallback={<p>fetching the one</p>}>
            <Wait until={first.here} />
          </Suspense>
          <Suspense fallback={<p>fetching the other</p>}>
            <Wait until={second.here} />
            <RichTextEditor fragment={fragment} label="Text" onEnd={nothing} />
          </Suspense>
        </>,
      );
      await screen.findByText('fetching the other');
      first.arrive();
      await waitFor(() => expect(screen.queryByText('fetching the one')).toBeNull());
      // What is here soon after something else has been shown is kept back a while, so that the page does not flicker.
      second.arrive();
      const field = await screen.findByRole('textbox');
      expect(field.textContent).toBe('Crab');
      expect(document.activeElement).toBe(field);
    } finally {
      root.unmount();
      world.IS_REACT_ACT_ENVIRONMENT = true;
    }
  });
});
