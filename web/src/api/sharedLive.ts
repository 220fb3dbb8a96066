/** What is heard of the live connection: it stands, it is lost, or the server said something. */
export type LiveNews = { kind: 'open' } | { kind: 'lost' } | { kind: 'message'; text: string };

const NAME = 'saltflat-live';
/** The server says what time it is every 15 s: who hears nothing for so long hears nobody. */
const SILENT_MS = 40_000;

/**
 * Listens to the server with one connection for all tabs of a browser, which allows six to a server in all: the tab that holds the
 * lock listens and tells the others; when it is closed the next one takes over. A browser that has no locks listens in each tab.
 *
 * @param hear told of everything for as long as the page is open
 */
export function shareLive(hear: (news: LiveNews) => void): void {
  if (!('locks' in navigator) || !('BroadcastChannel' in window)) {
    listen(hear);
    return;
  }
  const channel = new BroadcastChannel(NAME);
  let silence: ReturnType<typeof setTimeout> | undefined;
  const hearOther = (news: LiveNews): void => {
    clearTimeout(silence);
    silence = setTimeout(() => hear({ kind: 'lost' }), SILENT_MS);
    hear(news);
  };
  channel.onmessage = ({ data }: MessageEvent<LiveNews | 'hello'>) => {
    if (data !== 'hello') hearOther(data);
  };
  channel.postMessage('hello');
  void navigator.locks.request(NAME, () => {
    clearTimeout(silence);
    // what was said between two holders of the lock was heard by nobody
    if (silence !== undefined) hear({ kind: 'lost' });
    lead(channel, hear);
    return new Promise(() => undefined); // kept until the tab is closed
  });
}

function lead(channel: BroadcastChannel, hear: (news: LiveNews) => void): void {
  let standing: LiveNews | null = null;
  channel.onmessage = ({ data }: MessageEvent<LiveNews | 'hello'>) => {
    if (data === 'hello' && standing) channel.postMessage(standing);
  };
  listen((news) => {
    if (news.kind !== 'message') standing = news;
    channel.postMessage(news);
    hear(news);
  });
}

/** The browser reconnects by itself, unless the server refused it, as while it is busy. */
function listen(hear: (news: LiveNews) => void): void {
  const source = new EventSource('/api/v1/live');
  source.onopen = () => hear({ kind: 'open' });
  source.onmessage = ({ data }: MessageEvent<string>) => hear({ kind: 'message', text: data });
  source.onerror = () => {
    hear({ kind: 'lost' });
    if (source.readyState === EventSource.CLOSED) setTimeout(() => listen(hear), 5000);
  };
}
