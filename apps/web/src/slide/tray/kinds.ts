import type { ElementKind, SlideElement } from '@gobrel/core';
import type { ComponentType } from 'react';
import { Adding as AddChart } from '../../elements/chart/Adding';
import { Settings as ChartSettings } from '../../elements/chart/Settings';
import { Adding as AddCloseup } from '../../elements/closeup/Adding';
import { Settings as CloseupSettings } from '../../elements/closeup/Settings';
import { Settings as CreditsSettings } from '../../elements/credits/Settings';
import { Adding as AddFormula } from '../../elements/formula/Adding';
import { Settings as FormulaSettings } from '../../elements/formula/Settings';
import { Settings as GroupSettings } from '../../elements/group/Settings';
import { Adding as AddHotspot } from '../../elements/hotspot/Adding';
import { Settings as HotspotSettings } from '../../elements/hotspot/Settings';
import { Adding as AddInk } from '../../elements/ink/Adding';
import { Settings as InkSettings } from '../../elements/ink/Settings';
import { Adding as AddLine } from '../../elements/line/Adding';
import { Settings as LineSettings } from '../../elements/line/Settings';
import { Adding as AddMedia } from '../../elements/media/Adding';
import { Settings as MediaSettings } from '../../elements/media/Settings';
import { Adding as AddPicture } from '../../elements/picture/Adding';
import { Settings as PictureSettings } from '../../elements/picture/Settings';
import { Adding as AddQuestion } from '../../elements/question/Adding';
import { Settings as QuestionSettings } from '../../elements/question/Settings';
import { Adding as AddShape } from '../../elements/shape/Adding';
import { Settings as ShapeSettings } from '../../elements/shape/Settings';
import { Adding as AddTable } from '../../elements/table/Adding';
import { Settings as TableSettings } from '../../elements/table/Settings';
import { Adding as AddText } from '../../elements/text/Adding';
import { Settings as TextSettings } from '../../elements/text/Settings';
import { Adding as AddZone } from '../../elements/zone/Adding';
import { Settings as ZoneSettings } from '../../elements/zone/Settings';
import type { AddingProps } from '../../settings/Adding';
import type { SettingsOf } from '../../settings/settings';

interface TrayOf<E extends SlideElement = SlideElement> {
  /** What can be set on one. */
  Settings: ComponentType<SettingsOf<E>>;
  /** How one is put on a slide; null when it comes about otherwise. */
  Adding: ComponentType<AddingProps> | null;
}

/** What the tray has for things of each kind, in the order in which it offers them. */
const KINDS: { readonly [K in ElementKind]: TrayOf<Extract<SlideElement, { kind: K }>> } = {
  text: { Settings: TextSettings, Adding: AddText },
  picture: { Settings: PictureSettings, Adding: AddPicture },
  shape: { Settings: ShapeSettings, Adding: AddShape },
  line: { Settings: LineSettings, Adding: AddLine },
  ink: { Settings: InkSettings, Adding: AddInk },
  hotspot: { Settings: HotspotSettings, Adding: AddHotspot },
  zone: { Settings: ZoneSettings, Adding: AddZone },
  question: { Settings: QuestionSettings, Adding: AddQuestion },
  media: { Settings: MediaSettings, Adding: AddMedia },
  table: { Settings: TableSettings, Adding: AddTable },
  formula: { Settings: FormulaSettings, Adding: AddFormula },
  chart: { Settings: ChartSettings, Adding: AddChart },
  closeup: { Settings: CloseupSettings, Adding: AddCloseup },
  credits: { Settings: CreditsSettings, Adding: null },
  group: { Settings: GroupSettings, Adding: null },
};

export const trayOf = (kind: ElementKind): TrayOf => KINDS[kind] as TrayOf;

export const ADDINGS = Object.values(KINDS).flatMap(({ Adding }) => Adding ?? []);
