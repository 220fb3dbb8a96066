const NEVER = new Set(['as', 'sx', 'theme', 'ownerState']);

/** Props that only a styled component’s own style reads: they do not reach the page. */
export const ownProps = (...names: readonly string[]) => ({
  shouldForwardProp: (name: PropertyKey) => !NEVER.has(String(name)) && !names.includes(String(name)),
});
