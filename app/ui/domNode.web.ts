/**
 * The element of the page that a view is drawn as: for what only the web has, such as moving a
 * layer without drawing anything anew. Throws where the view is not on a page.
 *
 * @example elementOf(line.current).style.transform = 'translateX(12px)'
 */
export function elementOf(view: unknown): HTMLElement {
  if (view instanceof HTMLElement) return view;
  throw new Error('This view is not drawn on a page.');
}

/** Whether a press asks the browser to open a link in its own way: in a new tab, or to save it. */
export function opensElsewhere(press: { nativeEvent: unknown }): boolean {
  const { nativeEvent: event } = press;
  const keys = event instanceof MouseEvent || event instanceof KeyboardEvent ? event : undefined;
  return keys !== undefined && (keys.ctrlKey || keys.metaKey || keys.shiftKey);
}
