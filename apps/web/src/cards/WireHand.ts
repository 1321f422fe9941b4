import { farFacesOf } from '../painting/farFaces';
import type { WireColours } from './paintWires';
import type {
  FarFaces,
  LedWire,
  LedWires,
  PaintedStretch,
  PaintStretch,
  WiresToLead,
} from './wires.worker';
import WiresWorker from './wires.worker?worker';

/** The hand that leads and paints wires in a worker: one order for a picture at a time, and of those that come meanwhile only the last. */
export class WireHand {
  show: (painted: PaintedStretch) => void = () => undefined;
  tell: (led: ReadonlyMap<string, LedWire>) => void = () => undefined;
  #worker: Worker | null = null;
  #isBusy = false;
  #next: PaintStretch | null = null;
  #last: PaintStretch | null = null;
  /** The wordings of which the letters have been brought. */
  #wordings = '';

  /** What was painted last is painted anew with these wires. */
  take(order: Omit<WiresToLead, 'colours'>): void {
    this.#start().postMessage({ ...order, colours: themeColours() } satisfies WiresToLead);
    if (this.#last) this.ask(this.#last);
    void this.#bringLetters(order.wires.map(({ wording }) => wording).join(' '));
  }

  async #bringLetters(wordings: string): Promise<void> {
    if (wordings === this.#wordings) return;
    this.#wordings = wordings;
    const faces = await farFacesOf(wordings);
    if (faces.length === 0 || !this.#worker) return;
    this.#worker.postMessage({ faces } satisfies FarFaces);
    if (this.#last) this.ask(this.#last);
  }

  ask(stretch: PaintStretch): void {
    this.#last = stretch;
    if (this.#isBusy) {
      this.#next = stretch;
      return;
    }
    this.#isBusy = true;
    this.#start().postMessage(stretch);
  }

  stop(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#wordings = '';
    this.#isBusy = false;
  }

  #start(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new WiresWorker();
    worker.onmessage = ({ data }: MessageEvent<PaintedStretch | LedWires>): void => {
      if ('led' in data) return this.tell(data.led);
      this.#isBusy = false;
      this.show(data);
      const next = this.#next;
      this.#next = null;
      if (next) this.ask(next);
    };
    return (this.#worker = worker);
  }
}

function themeColours(): WireColours {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string): string => style.getPropertyValue(`--color-${name}`).trim();
  return {
    wire: colour('ember'),
    unmet: colour('soft'),
    wording: colour('ember-deep'),
    frame: '#eccdc0',
    paper: '#fdf4ee',
  };
}
