import { act, cleanup, render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { BrowserRouter } from 'react-router';
import { useAddress } from './useAddress';

afterEach(cleanup);

test('of two changes in one moment neither is lost, also where the earlier way of changing is used', () => {
  window.history.replaceState(null, '', '/show?from=copper&play=4s');
  const ways: ReturnType<typeof useAddress>[1][] = [];
  let seen = '';
  function Page(): ReactElement {
    const [query, change] = useAddress();
    ways.push(change);
    seen = query.toString();
    return <p>{seen}</p>;
  }
  render(
    <BrowserRouter>
      <Page />
    </BrowserRouter>,
  );
  const [first] = ways;
  act(() => {
    first!({ play: null });
    first!({ from: 'lamp-out', trail: 'short' });
  });
  expect(window.location.search).toBe('?from=lamp-out&trail=short');
  expect(seen).toBe('from=lamp-out&trail=short');
  act(() => first!({ from: 'copper' }));
  expect(window.location.pathname + window.location.search).toBe('/show?from=copper&trail=short');
});
