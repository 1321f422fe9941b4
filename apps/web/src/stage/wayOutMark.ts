import { LINK_MARK } from '@gobrel/core';
import { Mark } from '@tiptap/core';

/** The words of a text that carry a link; the link itself is kept with the deck, by its identity. */
export const WayOutMark = Mark.create({
  name: LINK_MARK,
  inclusive: false,
  addAttributes: () => ({
    linkId: {
      default: '',
      parseHTML: (element: HTMLElement) => element.getAttribute('data-link') ?? '',
      renderHTML: ({ linkId }: { linkId?: string }) => ({ 'data-link': linkId ?? '' }),
    },
  }),
  parseHTML: () => [{ tag: 'span[data-link]' }],
  renderHTML: ({ HTMLAttributes }) => [
    'span',
    { ...HTMLAttributes, class: 'underline decoration-2 underline-offset-4 decoration-ember' },
    0,
  ],
});
