import katex from 'katex';
import 'katex/dist/katex.min.css';

/** Nothing that reaches out of the formula, and no endless expansion. */
const OPTIONS = {
  output: 'htmlAndMathml',
  throwOnError: false,
  errorColor: '#B3261E',
  strict: false,
  trust: false,
  maxSize: 20,
  maxExpand: 200,
} as const;

/** What a formula is drawn at before it is fitted, and how: without KaTeX's space above and below. */
export const NATURAL = 40;
export const DISPLAYED = 'block w-max [&_.katex-display]:m-0!';

/** Draws a formula into a node; screen readers get it as MathML. What cannot be read stands there as it was typed. */
export function drawTex(node: HTMLElement, tex: string, isDisplayed: boolean): void {
  katex.render(tex, node, { ...OPTIONS, displayMode: isDisplayed });
}

/** How large a formula is when it is set in type of 40 pixels. */
export function naturalSize(tex: string): { w: number; h: number } {
  const node = document.createElement('span');
  node.className = DISPLAYED;
  node.style.cssText = `visibility: hidden; position: absolute; font-size: ${NATURAL}px`;
  drawTex(node, tex, true);
  document.body.append(node);
  const size = { w: Math.max(1, node.offsetWidth), h: Math.max(1, node.offsetHeight) };
  node.remove();
  return size;
}

/** Why a formula cannot be read; undefined when it can. */
export function problemIn(tex: string): string | undefined {
  try {
    katex.renderToString(tex, { ...OPTIONS, throwOnError: true });
    return undefined;
  } catch (error) {
    return error instanceof Error ? error.message.replace(/^KaTeX parse error: /, '') : 'unknown';
  }
}
