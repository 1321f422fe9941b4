import { choicesOf, followTo, markPlayed, removeLink, type Link } from '@gobrel/core';
import { Copy, CornerRightUp, Pencil, Play, Scissors } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../deck/DeckContext';
import { openBeside } from './openTarget';
import { addressOf } from './pastedTarget';

/** What is done with a link in place: follow, change, copy, cut; of several choices, which one plays by itself. Only this follows while editing. */
export function LinkActions({
  link,
  onChange,
}: {
  link: Link;
  onChange: () => void;
}): ReactElement {
  const { deckId, deck, graph, run, isOpen } = useDeck();
  const navigate = useNavigate();
  const { tell } = useNotices();
  const { target } = link;
  const goal = followTo(deck, link);
  const follow = (): void => {
    if (openBeside(target)) return;
    if (target.kind === 'deck') void navigate(`/deck/${target.deckId}/slide/${target.slideId}`);
    else if (goal) void navigate(`/deck/${deckId}/slide/${goal}`);
  };
  const address = addressOf(target, deckId);
  const copy = async (): Promise<void> => {
    if (!address) return;
    try {
      await navigator.clipboard.writeText(address);
      tell('Copied. Paste it on something else to lead it there too.');
    } catch {
      tell('The browser did not let the link be copied.');
    }
  };
  const canFollow = goal !== null || ['deck', 'web', 'file'].includes(target.kind);
  return (
    <span className="flex items-center">
      <Act label="Follow" isOff={!canFollow} onClick={follow}>
        <CornerRightUp size={15} />
      </Act>
      {isOpen && (
        <Act label="Change where it leads" onClick={onChange}>
          <Pencil size={14} />
        </Act>
      )}
      {isOpen && choicesOf(graph, link.from).length > 1 && (
        <Act
          label="Taken by a show that plays by itself"
          isOn={link.isPlayed === true}
          onClick={() => run(markPlayed, link.id, !link.isPlayed)}
        >
          <Play size={14} fill={link.isPlayed ? 'currentColor' : 'none'} />
        </Act>
      )}
      <Act label="Copy the link" isOff={!address} onClick={() => void copy()}>
        <Copy size={14} />
      </Act>
      {isOpen && (
        <Act label="Cut the link" onClick={() => run(removeLink, link.id, 'keep words')}>
          <Scissors size={14} />
        </Act>
      )}
    </span>
  );
}

function Act(props: {
  label: string;
  isOff?: boolean;
  /** Of one that is on or off. */
  isOn?: boolean;
  onClick: () => void;
  children: ReactNode;
}): ReactElement {
  return (
    <button
      type="button"
      aria-label={props.label}
      title={props.label}
      disabled={props.isOff}
      aria-pressed={props.isOn}
      onClick={props.onClick}
      className="grid size-7 place-items-center rounded-[4px] text-ember-deep hover:bg-sand disabled:opacity-40"
    >
      {props.children}
    </button>
  );
}
