// In tests ids are written as plain words.
import '../parts/ids.js';

declare module '../parts/ids.js' {
  interface Branding {
    isLoose: true;
  }
}
