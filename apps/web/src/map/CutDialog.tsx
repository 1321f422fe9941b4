import { type Link, type Slide, titleOf } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

/** What on its slide carries a link, in words. */
export function carrierWords(link: Link, slide: Slide | undefined): string {
  const { carrier } = link;
  const element =
    carrier.kind === 'none'
      ? undefined
      : slide?.elements.find(({ id }) => id === carrier.elementId);
  if (!element) return 'not on the slide any more';
  if (carrier.kind === 'words') return 'carried by words in a text';
  if (carrier.kind === 'option') return 'carried by an option of a question';
  if (element.kind === 'text' && element.style === 'choice') return 'carried by its choice line';
  return `carried by a ${element.kind}`;
}

/** Asked once before a wire is cut: what carries it is on a slide, and something becomes of it there. */
export function CutDialog(props: {
  link: Link | undefined;
  slide: Slide | undefined;
  onCut: (how: 'with its line' | 'keep words') => void;
  onClose: () => void;
}): ReactElement {
  const { link, slide } = props;
  const carrier = link && link.carrier.kind === 'element' ? link.carrier : null;
  const element = slide?.elements.find(({ id }) => id === carrier?.elementId);
  const isLine = element?.kind === 'text' && element.style === 'choice';
  const cut = (how: 'with its line' | 'keep words'): void => {
    props.onCut(how);
    props.onClose();
  };
  return (
    <Dialog
      title={`Cut “${link?.wording ?? ''}”?`}
      description={
        isLine
          ? `Its choice line stands on “${titleOf(slide)}”.`
          : `What carries it stays on “${titleOf(slide)}”, without a link.`
      }
      isOpen={link !== undefined}
      onClose={props.onClose}
    >
      <div className="flex flex-wrap justify-end gap-2">
        <Button onClick={props.onClose}>Cancel</Button>
        {isLine && <Button onClick={() => cut('keep words')}>Keep the line’s words</Button>}
        <Button look="main" autoFocus onClick={() => cut('with its line')}>
          {isLine ? 'Cut, and take the line off' : 'Cut'}
        </Button>
      </div>
    </Dialog>
  );
}
