import { Injectable } from '@nestjs/common';
import {
  FolioProjection,
  readFolio,
  type Attempt,
  type Deck,
  type OpenedAttempt,
} from '@gobrel/core';
import { DataSource, type Repository } from 'typeorm';
import * as Y from 'yjs';
import { noteUses, hashesIn } from '../assets/uses.js';
import { notFound, refused } from '../problems/problem.js';
import { moment, number, rowOf, theRow } from '../database/rows.js';
import { SyncService } from '../sync/SyncService.js';
import { AttemptRow } from './folios.entities.js';

/** Folios as they were frozen on handing in. */
@Injectable()
export class AttemptsService {
  readonly #attempts: Repository<AttemptRow>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
  ) {
    this.#attempts = database.getRepository(AttemptRow);
  }

  async countOf(folioId: string): Promise<number> {
    return this.#attempts.countBy({ folioId });
  }

  /** The first one first. */
  async list(folioId: string): Promise<Attempt<Date>[]> {
    return this.#attempts.find({
      select: { number: true, handedInAt: true },
      where: { folioId },
      order: { number: 'ASC' },
    });
  }

  async open(folioId: string, number: number, edition: Deck): Promise<OpenedAttempt<Date>> {
    // No folio is handed in so often, and the database knows no numbers beyond its own.
    if (number < 1 || number > 10_000) throw notFound('attempt');
    const row = await this.#attempts.findOneBy({ folioId, number });
    if (!row) throw notFound('attempt');
    const doc = new Y.Doc();
    Y.applyUpdate(doc, row.document);
    const { walk, leaves, placements } = readFolio(doc);
    const { answers } = new FolioProjection(doc, edition).take();
    doc.destroy();
    return {
      number,
      handedInAt: row.handedInAt,
      walk,
      leaves,
      placements,
      answers: Object.fromEntries(
        answers.map(({ questionId, answer, score, at }) => [
          questionId,
          { answer, score, at, isLate: false },
        ]),
      ),
    };
  }

  /**
   * Freezes a folio as its next attempt, and says when.
   *
   * @throws Problem 409 when it has been handed in already
   */
  async keep(folioId: string): Promise<string> {
    const doc = await this.sync.read(`folio:${folioId}`);
    return this.database.transaction(async (rows) => {
      const updated = await rowOf(
        rows,
        { handed_in_at: moment },
        'UPDATE folio SET handed_in_at = now() WHERE id = $1 AND handed_in_at IS NULL RETURNING handed_in_at',
        [folioId],
      );
      if (!updated) throw refused('This folio has been handed in already.');
      const document = Buffer.from(Y.encodeStateAsUpdate(doc));
      const attempt = await theRow(
        rows,
        { number },
        `INSERT INTO attempt (folio_id, number, folio, document)
         VALUES ($1, 1 + (SELECT count(*) FROM attempt WHERE folio_id = $1), $2, $3) RETURNING number`,
        [folioId, JSON.stringify(readFolio(doc)), document],
      );
      const name = `folio:${folioId}#${attempt.number}`;
      await noteUses(
        rows,
        hashesIn(document).map((hash) => ({ hash, name })),
      );
      return updated.handed_in_at.toISOString();
    });
  }
}
