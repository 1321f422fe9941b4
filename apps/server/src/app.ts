import 'reflect-metadata';
import { Module, type DynamicModule, type NestApplicationOptions } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { TypeOrmModule } from '@nestjs/typeorm';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import compression from 'compression';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import { AccessModule } from './access/access.module.js';
import { readable, readableAddress } from './problems/readable.js';
import { fairShare } from './access/fairShare.js';
import { originCheck } from './access/originCheck.js';
import { AccountsModule } from './accounts/accounts.module.js';
import { AssetsModule } from './assets/assets.module.js';
import { ClassesModule } from './classes/classes.module.js';
import { CommentsModule } from './comments/comments.module.js';
import { CONFIG, type Config } from './config.js';
import { serveInterface } from './serveInterface.js';
import { MIGRATIONS } from './database/migrations.js';
import { MAPPING } from './database/entities.js';
import { migrate } from './database/startLock.js';
import { DecksModule } from './decks/decks.module.js';
import { HealthController } from './HealthController.js';
import { LessonsModule } from './lessons/lessons.module.js';
import { MediaModule } from './media/media.module.js';
import { NestLog } from './NestLog.js';
import { OutboxModule } from './outbox/outbox.module.js';
import { PictureBoxModule } from './pictureBox/pictureBox.module.js';
import { PublishingModule } from './publishing/publishing.module.js';
import { PublishingService } from './publishing/PublishingService.js';
import { publishedPage } from './publishing/publishedPage.js';
import { schoolSite } from './publishing/schoolSite.js';
import { ProblemFilter } from './problems/ProblemFilter.js';
import { validation } from './problems/validation.js';
import { ShowingModule } from './showing/showing.module.js';
import { SharingModule } from './sharing/sharing.module.js';
import { StartersModule } from './starters/starters.module.js';
import { ThemesModule } from './themes/themes.module.js';
import { SyncModule } from './sync/sync.module.js';
import { SyncService } from './sync/SyncService.js';

@Module({})
class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      global: true,
      imports: [
        TypeOrmModule.forRoot({
          type: 'postgres',
          url: config.databaseUrl,
          synchronize: false,
          ...MAPPING,
          poolSize: 12,
          retryAttempts: 3,
        }),
        AccessModule,
        SyncModule,
        AccountsModule,
        OutboxModule,
        DecksModule,
        SharingModule,
        PublishingModule,
        ShowingModule,
        CommentsModule,
        AssetsModule,
        MediaModule,
        StartersModule,
        ThemesModule,
        PictureBoxModule,
        ClassesModule,
        LessonsModule,
      ],
      controllers: [HealthController],
      providers: [{ provide: CONFIG, useValue: config }],
      exports: [CONFIG],
    };
  }
}

/** The whole server, ready to listen. */
export async function createApp(config: Config): Promise<NestExpressApplication> {
  await migrate({ type: 'postgres', url: config.databaseUrl, migrations: MIGRATIONS });
  const log = pino({ level: config.logLevel });
  const options: NestApplicationOptions = { logger: new NestLog(log), bodyParser: false };
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), options);
  app.disable('x-powered-by');
  // What may not be stored is not compared either.
  app.disable('etag');
  app.set('trust proxy', config.proxies);
  app.use(contentPolicy(config));
  app.use(
    pinoHttp({
      logger: log,
      // Method, path and outcome; no query, header, body, name or answer.
      serializers: {
        req: ({ method, url }: { method: string; url: string }) => ({
          method,
          path: url.split('?')[0],
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      },
      customLogLevel: (_request, response, error) =>
        error || response.statusCode >= 500 ? 'error' : 'debug',
    }),
  );
  app.use('/api', fairShare(config));
  app.use(originCheck);
  app.use('/api', compression());
  // What is said to one person is kept by nobody on the way; pictures and sounds say otherwise themselves.
  app.use('/api', (_request: Request, response: Response, next: NextFunction) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use(readableAddress);
  // Slides as the clipboard has them may be large.
  app.use(
    /^\/api\/(starters|lessons\/[^/]+\/ask)$/,
    express.json({ limit: '2200kb', reviver: readable }),
  );
  app.use(express.json({ limit: '200kb', reviver: readable }));
  app.useGlobalPipes(validation);
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  if (config.webFolder) {
    app.use('/stand-ins/school-site', schoolSite(config));
    app.use('/at/:code', publishedPage(config, app.get(PublishingService)));
    app.use(serveInterface(config.webFolder));
  }
  app.get(SyncService).attach(app.getHttpServer());
  await app.init();
  return app;
}

function contentPolicy(config: Config): ReturnType<typeof helmet> {
  return helmet({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'"],
        styleSrcAttr: ["'unsafe-inline'"],
        imgSrc: ["'self'", 'blob:', 'data:'],
        fontSrc: ["'self'"],
        mediaSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        upgradeInsecureRequests: config.isSecure ? [] : null,
      },
    },
    hsts: config.isSecure,
    crossOriginEmbedderPolicy: false,
  });
}
