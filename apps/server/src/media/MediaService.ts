import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';
import type { MediaRef } from '@gobrel/core';
import { fileTypeFromBuffer } from 'file-type';
import { DataSource, type EntityManager } from 'typeorm';
import { noteUses } from '../assets/uses.js';
import { flag, theRow } from '../database/rows.js';
import { invalid } from '../problems/problem.js';
import { MediaPartRow, MediaRow } from './media.entities.js';

/** Bytes of a part: what is read at a time when a player asks for a stretch of it. */
const PART = 1_000_000;
/** Where the kinds of tracks of a WebM are told. */
const HEAD = 65_536;

export interface KeptMedia {
  type: string;
  size: number;
}

const OPEN_FORMATS = 'Sounds and videos can be WebM, Ogg, WAV, FLAC or MP3.';

/** Sounds and videos in open formats, named by their contents and kept in parts. */
@Injectable()
export class MediaService {
  constructor(private readonly database: DataSource) {}

  /**
   * Keeps a file that lies on disk. Its type is told by its contents; what is no open format is refused.
   * @param by who brings it and may hear it before anything uses it: `teacher:<id>`
   */
  async add(path: string, size: number, by: string): Promise<Omit<MediaRef, 'seconds'>> {
    const type = await mediaTypeOf(path);
    const hash = await hashOf(path);
    await this.database.transaction(async (manager) => {
      // A row that was there is touched: it is not to go just now.
      const { isNew } = await theRow(
        manager,
        { isNew: flag },
        `INSERT INTO media (hash, media_type, size) VALUES ($1, $2, $3)
         ON CONFLICT (hash) DO UPDATE SET created_at = now() RETURNING xmax = 0 AS "isNew"`,
        [hash, type, size],
      );
      if (isNew) await keepParts(manager, hash, path);
      await noteUses(manager, [{ hash, name: `by:${by}` }]);
    });
    return { hash, type, size };
  }

  async find(hash: string): Promise<KeptMedia | null> {
    const media = await this.database.getRepository(MediaRow).findOneBy({ hash });
    return media && { type: media.mediaType, size: media.size };
  }

  /** The bytes from `start` to `end`, both included, a part at a time. */
  async *read(hash: string, start: number, end: number): AsyncGenerator<Buffer> {
    for (let part = Math.floor(start / PART); part * PART <= end; part += 1) {
      const row = await this.database.getRepository(MediaPartRow).findOneBy({ hash, part });
      if (!row) return;
      const from = Math.max(0, start - part * PART);
      yield row.bytes.subarray(from, Math.min(row.bytes.length, end + 1 - part * PART));
    }
  }
}

async function keepParts(manager: EntityManager, hash: string, path: string): Promise<void> {
  const file = await open(path);
  try {
    const buffer = Buffer.alloc(PART);
    for (let part = 0; ; part += 1) {
      const { bytesRead } = await file.read(buffer, 0, PART, part * PART);
      if (bytesRead === 0) return;
      const bytes = Buffer.from(buffer.subarray(0, bytesRead));
      await manager.getRepository(MediaPartRow).insert({ hash, part, bytes });
    }
  } finally {
    await file.close();
  }
}

async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}

/** The type of a sound or video; throws with the reason when it is none that is kept. */
async function mediaTypeOf(path: string): Promise<string> {
  const file = await open(path);
  const head = Buffer.alloc(HEAD);
  const { bytesRead } = await file.read(head, 0, HEAD, 0);
  await file.close();
  const start = head.subarray(0, bytesRead);
  const found = await fileTypeFromBuffer(start).catch(() => undefined);
  const kind: string | undefined = found?.ext;
  switch (kind) {
    case 'webm':
      // A sound in a WebM is told by the codecs of its tracks.
      return /V_(VP8|VP9|AV1)/.test(start.toString('latin1')) ? 'video/webm' : 'audio/webm';
    case 'ogv':
      return 'video/ogg';
    case 'ogg':
    case 'oga':
    case 'opus':
    case 'spx':
      return 'audio/ogg';
    case 'wav':
      return 'audio/wav';
    case 'flac':
      return 'audio/flac';
    case 'mp3':
      return 'audio/mpeg';
    case undefined:
      throw invalid(`This file is no sound or video that can be played. ${OPEN_FORMATS}`);
    default:
      throw invalid(
        `This is a file of the kind ${kind.toUpperCase()}, which not every device plays. ${OPEN_FORMATS}`,
      );
  }
}
