import { createHash } from 'node:crypto';
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
import type { Response } from 'express';
import { DataSource } from 'typeorm';
import { CurrentTeacher, type Teacher } from '../access/guards.js';
import { invalid, notFound } from '../problems/problem.js';
import { FileRow } from './assets.entities.js';
import { noteUses } from './uses.js';
import { Needs } from '../access/needs.js';

const LARGEST_FILE = 10_000_000;

/** Files of any kind that a deck links to. They are handed out to be kept, never to be opened in the page. */
@Controller('api/files')
@Needs('file:read', 'hash')
export class FilesController {
  constructor(private readonly database: DataSource) {}

  @Post()
  @Needs('site:teach')
  @UseInterceptors(
    FileInterceptor('file', { limits: { fileSize: LARGEST_FILE, files: 1, fields: 0 } }),
  )
  async add(
    @UploadedFile() file: Express.Multer.File | undefined,
    @CurrentTeacher() teacher: Teacher,
  ): Promise<{ hash: string; size: number }> {
    if (!file || file.size === 0) throw invalid('This file is empty.');
    const hash = createHash('sha256').update(file.buffer).digest('hex');
    // One that is there is touched: it is not to go just now.
    await this.database
      .getRepository(FileRow)
      .upsert({ hash, bytes: file.buffer, createdAt: new Date() }, ['hash']);
    await noteUses(this.database, [{ hash, name: `by:teacher:${teacher.id}` }]);
    return { hash, size: file.size };
  }

  @Get(':hash/:name')
  async serve(
    @Param('hash') hash: string,
    @Param('name') name: string,
    @Headers('cookie') cookie: string | undefined,
    @Res() response: Response,
  ): Promise<void> {
    const file = await this.database.getRepository(FileRow).findOneBy({ hash });
    if (!file) throw notFound('file');
    response
      .attachment(name.slice(0, 200))
      .type('application/octet-stream')
      .set('Cache-Control', 'private, max-age=31536000, immutable')
      .set('Content-Security-Policy', "default-src 'none'; sandbox")
      .send(file.bytes);
  }
}
