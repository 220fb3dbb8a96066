import { DomainError } from '@saltflat/contract';
import type { Request, RequestHandler } from 'express';

/** Names of this machine itself. */
const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Who may come in. Nobody signs in yet, so whatever a browser on this machine sends would be obeyed: a page of somebody else in
 * another tab, or a name of somebody else that leads here.
 *
 * - Only hosts that are known are answered: loopback names and those the shop set up.
 * - A request that changes something comes from a page of ours, or from no page at all (a script, a command line): browsers name
 *   the page in `Origin` with every such request, and its relation in `Sec-Fetch-Site`.
 * - A page of somebody else reads nothing either, neither pictures nor the live stream; it may only link to our pages.
 *
 * @param hosts names besides loopback, without port
 */
export function door(hosts: readonly string[]): RequestHandler {
  const known = new Set([...LOOPBACK, ...hosts.map((host) => host.toLowerCase())]);
  return (req, _res, next) => {
    const host = req.headers.host ?? '';
    if (!known.has(nameOf(host)))
      throw new DomainError(
        'wrong-host',
        'This server does not answer under that name. Open it as http://127.0.0.1 or http://localhost with its port, or add the name to SALTFLAT_HOSTS.',
      );
    if (isForeign(req, host) && !isLinkToPage(req))
      throw new DomainError(
        'foreign-page',
        'This came from a page that is not Saltflat’s own: nothing was read or changed. Open Saltflat itself and do it there.',
      );
    next();
  };
}

/** The host without its port, as browsers write it. */
function nameOf(host: string): string {
  const [, name = ''] = /^(\[[0-9a-f:.]+\]|[a-z0-9.-]+)(?::\d{1,5})?$/.exec(host.toLowerCase()) ?? [];
  return name;
}

function isForeign({ headers, method }: Request, host: string): boolean {
  const site = headers['sec-fetch-site'];
  const isSafe = ['GET', 'HEAD', 'OPTIONS'].includes(method);
  // “none”: typed, or out of the bookmarks; no change is made that way
  if (site !== undefined && site !== 'same-origin' && !(isSafe && site === 'none')) return true;
  const { origin } = headers;
  return origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`;
}

/** Somebody follows a link to a page of ours: it is opened whole, and the page that linked sees nothing of it. */
function isLinkToPage({ headers, method, path }: Request): boolean {
  return (
    method === 'GET' &&
    headers['sec-fetch-mode'] === 'navigate' &&
    headers['sec-fetch-dest'] === 'document' &&
    headers.origin === undefined &&
    !path.startsWith('/api/')
  );
}
