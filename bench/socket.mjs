import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import WebSocket from 'ws';
import * as Y from 'yjs';

/**
 * One socket to a server, for as many documents as wanted.
 * @param {string} url @param {string} [cookie]
 */
export function openSocket(url, cookie = '') {
  class CookieSocket extends WebSocket {
    /** @param {string} address */
    constructor(address) {
      super(address, { headers: { cookie, origin: url } });
    }
  }
  const websocketProvider = new HocuspocusProviderWebsocket({
    url: `${url.replace('http', 'ws')}/sync`,
    WebSocketPolyfill: CookieSocket,
  });
  return {
    /** @param {string} name */
    async open(name) {
      const doc = new Y.Doc();
      const provider = new HocuspocusProvider({
        websocketProvider,
        name,
        document: doc,
        token: 'cookie',
        awareness: null,
      });
      await new Promise((resolve, reject) => {
        provider.on('synced', resolve);
        provider.on('authenticationFailed', () => reject(new Error(`${name} was refused`)));
        provider.attach();
      });
      return { doc, provider };
    },
    close: () => websocketProvider.destroy(),
  };
}
