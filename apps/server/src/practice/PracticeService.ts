import { fork, type ChildProcess } from 'node:child_process';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { Inject, Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import { DataSource } from 'typeorm';
import { SERVER_LIMITS } from '@gobrel/core';
import { makeToken } from '../access/tokens.js';
import { CONFIG, type Config } from '../config.js';
import { FolioRow } from '../folios/folios.entities.js';
import { FoliosService } from '../folios/FoliosService.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { refused } from '../problems/problem.js';

export const MOST_SIMULATED = 200;

/** Practice classes of running lessons: one process each, which speaks to this server over the network. */
@Injectable()
export class PracticeService implements BeforeApplicationShutdown {
  #classes = new Map<string, { secret: string; process: ChildProcess }>();

  constructor(
    @Inject(CONFIG) private readonly config: Config,
    private readonly host: HttpAdapterHost,
    private readonly database: DataSource,
    private readonly lessons: LessonsService,
    private readonly folios: FoliosService,
  ) {}

  /** Whether who joins a lesson with this secret is simulated. */
  isSimulated(lessonId: string, secret: string | undefined): boolean {
    return secret !== undefined && this.#classes.get(lessonId)?.secret === secret;
  }

  /** @param leisure how many times longer everyone pauses: a class that is looked at for a while takes its time */
  async start(lessonId: string, students: number, leisure = 1): Promise<void> {
    const lesson = await this.lessons.require(lessonId);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    if (!lesson.allowsTypedNames) {
      throw refused('A practice class types its names: allow typed names in this lesson first.');
    }
    await this.stop(lessonId);
    if (this.#classes.size >= SERVER_LIMITS.practiceClasses) {
      throw refused('Too many practice classes run on this server. Send another one home first.');
    }
    const server = this.host.httpAdapter.getHttpServer() as Server;
    const { port } = server.address() as AddressInfo;
    const secret = makeToken();
    // It needs nothing of what this server knows, least of all its database.
    const child = fork(this.config.practiceWorker, [], { stdio: 'ignore', execArgv: [], env: {} });
    this.#classes.set(lessonId, { secret, process: child });
    child.once('exit', () => {
      if (this.#classes.get(lessonId)?.process === child) this.#classes.delete(lessonId);
    });
    child.send({
      url: `http://127.0.0.1:${port}`,
      joinCode: lesson.joinCode,
      secret,
      students,
      leisure,
      edition: await this.lessons.edition(lesson.editionId),
    });
  }

  /** Sends a practice class home; what it did is taken out with it. */
  async stop(lessonId: string): Promise<void> {
    const running = this.#classes.get(lessonId);
    this.#classes.delete(lessonId);
    running?.process.kill();
    const rows = await this.database
      .getRepository(FolioRow)
      .find({ select: { id: true }, where: { lessonId, isPractice: true } });
    if (rows.length > 0) {
      await this.folios.remove(
        lessonId,
        rows.map(({ id }) => id),
      );
    }
  }

  beforeApplicationShutdown(): void {
    for (const { process } of this.#classes.values()) process.kill();
  }
}
