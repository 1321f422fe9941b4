import {
  answer,
  place,
  putInto,
  isAnsweredByPieces,
  questionsOn,
  readFolio,
  readLessonState,
  routeGraph,
  sampleAnswer,
  standing,
  visit,
  voteFor,
  type Deck,
  type LessonState,
  type RouteGraph,
  type Slide,
  type SlideId,
  type ZoneElement,
} from '@gobrel/core';
import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import WebSocket from 'ws';
import * as Y from 'yjs';
import type { Temper } from './temper.js';

export interface Classwork {
  /** How many times longer everyone pauses than they would. */
  leisure: number;
  url: string;
  joinCode: string;
  /** Tells the server that who joins is simulated. */
  secret: string;
  /** With its keys: to be right as often as the temper says. */
  edition: Deck;
}

/** A student's device without a student: it joins, walks, answers and hands in over the network like any other. */
export class SimulatedStudent {
  #doc = new Y.Doc();
  #state = new Y.Doc();
  #socket: HocuspocusProviderWebsocket | null = null;
  #providers: HocuspocusProvider[] = [];
  #graph: RouteGraph;
  #isOver = false;
  #steps = 0;
  #done = new Set<string>();

  constructor(
    private readonly work: Classwork,
    private readonly name: string,
    private readonly temper: Temper,
    private readonly random: (below: number) => number,
  ) {
    this.#graph = routeGraph(work.edition);
  }

  /** Works until the lesson ends or everything is done; rejects when it cannot join. */
  async run(): Promise<void> {
    const { cookie, folioId, lessonId } = await this.#join();
    this.#connect(cookie, folioId, lessonId);
    while (!this.#isOver) {
      await this.#pause();
      const state = readLessonState(this.#state);
      if (state?.isEnded) break;
      if (!state || state.isHeld) continue;
      await this.#step(state, cookie);
    }
    this.leave();
  }

  leave(): void {
    this.#isOver = true;
    for (const provider of this.#providers) provider.destroy();
    this.#socket?.destroy();
  }

  async #join(): Promise<{ cookie: string; folioId: string; lessonId: string }> {
    const { url, joinCode, secret } = this.work;
    const joined = await fetch(`${url}/api/student/join`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: url },
      body: JSON.stringify({ code: joinCode, name: this.name, practice: secret }),
    });
    if (!joined.ok) throw new Error(`${this.name} could not join: ${await joined.text()}`);
    const cookie = joined.headers
      .getSetCookie()
      .map((line) => line.split(';')[0])
      .join('; ');
    const { folioId } = (await joined.json()) as { folioId: string };
    const asked = await fetch(`${url}/api/student/lesson`, { headers: { cookie } });
    const { lessonId } = (await asked.json()) as { lessonId: string };
    return { cookie, folioId, lessonId };
  }

  /** What was asked on the fly is not in the edition that the class came with: it is fetched, as a device does. */
  async #answerAsked(slideId: SlideId, cookie: string): Promise<void> {
    this.#done.add(slideId);
    const got = await fetch(`${this.work.url}/api/student/lesson`, { headers: { cookie } });
    if (!got.ok) return;
    const { edition } = (await got.json()) as { edition: Deck | null };
    const slide = edition?.slides[slideId];
    if (slide) this.#workOn(slide);
  }

  #connect(cookie: string, folioId: string, lessonId: string): void {
    const { url } = this.work;
    class CookieSocket extends WebSocket {
      constructor(address: string) {
        super(address, { headers: { cookie, origin: url } });
        this.on('error', () => undefined);
      }
    }
    const socket = new HocuspocusProviderWebsocket({
      url: `${url.replace('http', 'ws')}/sync`,
      WebSocketPolyfill: CookieSocket,
      delay: 1000,
    });
    this.#socket = socket;
    this.#providers = [
      [`folio:${folioId}`, this.#doc] as const,
      [`lesson:${lessonId}`, this.#state] as const,
    ].map(([name, document]) => {
      const provider = new HocuspocusProvider({
        websocketProvider: socket,
        name,
        document,
        token: 'cookie',
        awareness: null,
      });
      provider.attach();
      return provider;
    });
  }

  async #step(state: LessonState, cookie: string): Promise<void> {
    const { edition } = this.work;
    const { here, back } = standing(readFolio(this.#doc).walk);
    const isTogether = state.pace === 'together' && state.slideId !== null;
    if (state.vote?.isOpen) this.#vote(state.vote.slideId);
    const { askedSlideId } = state;
    if (askedSlideId) {
      if (!this.#done.has(askedSlideId)) await this.#answerAsked(askedSlideId, cookie);
      return;
    }
    if (isTogether && state.slideId && here !== state.slideId) {
      visit(this.#doc, state.slideId, 'teacher', Date.now());
      return;
    }
    if (!here) {
      if (edition.startSlideId) visit(this.#doc, edition.startSlideId, 'start', Date.now());
      return;
    }
    const slide = edition.slides[here];
    if (slide && !this.#done.has(here)) {
      this.#workOn(slide);
      this.#done.add(here);
      return;
    }
    if (this.#chance(this.temper.drops)) await this.#drop();
    if (isTogether) return;
    this.#steps += 1;
    const ways = (this.#graph.waysOut.get(here) ?? []).filter(({ id }) => this.#graph.to.has(id));
    if (back && (this.#chance(this.temper.wanders) || (ways.length === 0 && this.#steps < 12))) {
      visit(this.#doc, back, 'back', Date.now());
      return;
    }
    const way = ways[this.random(Math.max(1, ways.length))];
    const [to] = way ? (this.#graph.to.get(way.id) ?? []) : [];
    if (way && to && this.#steps < 60) visit(this.#doc, to, way.id, Date.now());
    else await this.#handIn(cookie);
  }

  #workOn(slide: Slide): void {
    for (const question of questionsOn(slide)) {
      if (isAnsweredByPieces(question.question)) continue;
      const given = sampleAnswer(question, this.#chance(this.temper.skill), this.random);
      answer(this.#doc, question.id, given, Date.now());
    }
    const zones = slide.elements.filter((thing): thing is ZoneElement => thing.kind === 'zone');
    const placed = { ...readFolio(this.#doc).placements[slide.id] };
    for (const piece of slide.elements) {
      if (piece.layer !== 'pieces' || piece.kind === 'zone' || zones.length === 0) continue;
      const right = zones.find(({ expects }) => expects?.includes(piece.id));
      const zone = this.#chance(this.temper.skill) ? right : zones[this.random(zones.length)];
      if (!zone) continue;
      const { placements } = putInto(slide, placed, piece.id, zone);
      Object.assign(placed, placements);
      place(this.#doc, slide.id, placements);
    }
  }

  #vote(slideId: SlideId): void {
    const ways = this.#graph.waysOut.get(slideId) ?? [];
    const way = ways[this.random(Math.max(1, ways.length))];
    if (way && !readFolio(this.#doc).votes[slideId]) voteFor(this.#doc, slideId, way.id);
  }

  async #handIn(cookie: string): Promise<void> {
    const { url } = this.work;
    // What is still on its way must be there first.
    for (let waited = 0; waited < 20 && this.#providers[0]?.hasUnsyncedChanges; waited++) {
      await new Promise((done) => setTimeout(done, 100));
    }
    await fetch(`${url}/api/student/hand-in`, { method: 'POST', headers: { cookie, origin: url } });
    this.#isOver = true;
  }

  /** Off the network for some seconds; what is done meanwhile goes up afterwards. */
  async #drop(): Promise<void> {
    this.#socket?.disconnect();
    await this.#pause();
    await this.#pause();
    if (!this.#isOver) await this.#socket?.connect();
  }

  #chance(share: number): boolean {
    return this.random(1000) < share * 1000;
  }

  #pause(): Promise<void> {
    const [least, most] = this.temper.pause;
    const pause = (least + this.random(most - least)) * this.work.leisure;
    return new Promise((done) => setTimeout(done, pause));
  }
}
