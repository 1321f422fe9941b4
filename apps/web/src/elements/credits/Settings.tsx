import type { CreditsElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { FontPop } from '../../settings/FontPop';
import type { SettingsOf } from '../../settings/settings';

export const Settings = (props: SettingsOf<CreditsElement>): ReactElement => <FontPop {...props} />;
