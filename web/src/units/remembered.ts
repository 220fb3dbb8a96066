/** Where a device keeps how it writes, and how the shop does as last heard. */
export const OWN_KEY = 'saltflat.units';
export const SHOP_KEY = 'saltflat.shop-writing';

export const remembered = (key: string): object => {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? '{}') as object | null) ?? {};
  } catch {
    return {}; // not ours, or nowhere to keep it: as if nothing were kept
  }
};
