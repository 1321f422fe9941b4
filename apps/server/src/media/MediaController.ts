import { unlink } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  Controller,
  Get,
  Headers,
  Param,
  Post,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import type { MediaRef } from '@gobrel/core';
import type { Response } from 'express';
import { diskStorage } from 'multer';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { invalid, notFound } from '../problems/problem.js';
import { MediaService } from './MediaService.js';
import { Needs } from '../access/needs.js';

const LARGEST_FILE = 60_000_000;

@Controller('api/media')
@Needs('file:read', 'hash', 'sound or video')
export class MediaController {
  constructor(private readonly media: MediaService) {}

  @Post()
  @Needs('site:teach')
  @UseInterceptors(
    FileInterceptor('file', {
      // Too large for memory when a whole school sends at once.
      storage: diskStorage({ destination: tmpdir() }),
      limits: { fileSize: LARGEST_FILE, files: 1, fields: 0 },
    }),
  )
  async add(
    @UploadedFile() file: Express.Multer.File | undefined,
    @CurrentTeacher() teacher: Teacher,
  ): Promise<Omit<MediaRef, 'seconds'>> {
    if (!file || file.size === 0) throw invalid('This file is empty.');
    try {
      return await this.media.add(file.path, file.size, `teacher:${teacher.id}`);
    } finally {
      await unlink(file.path);
    }
  }

  /** Named by its contents, so it never changes. Players ask for stretches of it. */
  @Get(':hash')
  async serve(
    @Param('hash') hash: string,
    @Headers('range') range: string | undefined,
    @Headers('cookie') cookie: string | undefined,
    @Res() response: Response,
  ): Promise<void> {
    const media = await this.media.find(hash);
    if (!media) throw notFound('sound or video');
    response
      .type(media.type)
      .set('Accept-Ranges', 'bytes')
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('Content-Security-Policy', "default-src 'none'; sandbox");
    const stretch = stretchOf(range, media.size);
    if (stretch === 'outside') {
      response.status(416).set('Content-Range', `bytes */${media.size}`).end();
      return;
    }
    const { start, end } = stretch ?? { start: 0, end: media.size - 1 };
    if (stretch) {
      response.status(206).set('Content-Range', `bytes ${start}-${end}/${media.size}`);
    }
    response.set('Content-Length', String(end - start + 1));
    // A player that has enough hangs up: that is no error.
    await pipeline(Readable.from(this.media.read(hash, start, end)), response).catch(
      () => undefined,
    );
  }
}

/** The one stretch that a Range header asks for (RFC 9110, 14.1.2); null where the whole is sent. */
export function stretchOf(
  range: string | undefined,
  size: number,
): { start: number; end: number } | 'outside' | null {
  const [, from, to] = /^bytes=(\d*)-(\d*)$/.exec(range ?? '') ?? [];
  if (from === undefined || (from === '' && to === '')) return null;
  const last = size - 1;
  if (from === '') {
    const count = Math.min(size, Number(to));
    return count === 0 ? 'outside' : { start: size - count, end: last };
  }
  const start = Number(from);
  const end = to === '' ? last : Math.min(last, Number(to));
  return start > last || end < start ? 'outside' : { start, end };
}
