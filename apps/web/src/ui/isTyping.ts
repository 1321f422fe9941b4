/** Whether a key press belongs to a text being typed, so that shortcuts leave it alone. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target;
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

/**
 * Whether what a press takes back is letters of a text being typed. In a field that says by `data-is-kept` that all in it
 * is kept, it is the last step of the deck.
 */
export const takesBackLetters = (event: KeyboardEvent): boolean =>
  isTyping(event) && !(event.target as HTMLElement).hasAttribute('data-is-kept');
