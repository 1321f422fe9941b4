import { useCallback } from 'react';
import { useNavigate, useSearchParams } from 'react-router';

/**
 * What an address asks for after its `?`, and how it is changed in place: only what is named, null takes it away. Changes
 * build on the address as it is, not as it was when this was last drawn: of two in one moment neither is lost.
 */
export function useAddress(): [URLSearchParams, (changes: Record<string, string | null>) => void] {
  const [query] = useSearchParams();
  const navigate = useNavigate();
  const change = useCallback(
    (changes: Record<string, string | null>) => {
      const next = new URLSearchParams(window.location.search);
      for (const [name, value] of Object.entries(changes)) {
        if (value === null) next.delete(name);
        else next.set(name, value);
      }
      void navigate(`?${next.toString()}`, { replace: true });
    },
    [navigate],
  );
  return [query, change];
}
