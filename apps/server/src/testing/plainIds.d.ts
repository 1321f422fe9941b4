// In tests ids are written as plain words.
import '../../../../packages/core/dist/parts/ids.js';

declare module '../../../../packages/core/dist/parts/ids.js' {
  interface Branding {
    isLoose: true;
  }
}
