import { Module } from '@nestjs/common';
import { ClassesModule } from '../classes/classes.module.js';
import { DecksModule } from '../decks/decks.module.js';
import { AttemptsService } from '../folios/AttemptsService.js';
import { FolioProjector } from '../folios/FolioProjector.js';
import { FoliosService } from '../folios/FoliosService.js';
import { JoiningService } from '../folios/JoiningService.js';
import { ResultsService } from '../folios/ResultsService.js';
import { StudentController } from '../folios/StudentController.js';
import { BlocksController, StudentsController } from '../folios/StudentsController.js';
import { BlocksService } from '../folios/BlocksService.js';
import { PracticeController } from '../practice/PracticeController.js';
import { PracticeService } from '../practice/PracticeService.js';
import { ScreensController } from '../screens/ScreensController.js';
import { ScreensService } from '../screens/ScreensService.js';
import { DeskController } from './DeskController.js';
import { DeskService } from './DeskService.js';
import { LessonsController } from './LessonsController.js';
import { ResultsController } from './ResultsController.js';
import { LessonsService } from './LessonsService.js';

/** Lessons and the folios in them know each other, so they are one module. */
@Module({
  imports: [DecksModule, ClassesModule],
  controllers: [
    LessonsController,
    DeskController,
    StudentsController,
    BlocksController,
    StudentController,
    PracticeController,
    ResultsController,
    ScreensController,
  ],
  providers: [
    LessonsService,
    DeskService,
    FoliosService,
    AttemptsService,
    JoiningService,
    BlocksService,
    FolioProjector,
    PracticeService,
    ResultsService,
    ScreensService,
  ],
  exports: [LessonsService, FoliosService, JoiningService, FolioProjector],
})
export class LessonsModule {}
