import { Words } from '../../ui/Words';

/** Said with a link that is for another phone, where this page's own address leads nowhere there. */
export function OnlyHere() {
  const { hostname } = window.location;
  if (!['localhost', '127.0.0.1', '[::1]'].includes(hostname)) return null;
  return (
    <Words as="note" color="stop">
      This page is open on the server’s own machine. Another phone reaches the server by its network
      address only: open Long Bar by that, and make the link there.
    </Words>
  );
}
