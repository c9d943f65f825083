/** A style that only the web knows, as `willChange` or `contain`. */
export function webStyle(style: Record<string, string | number>): object {
  return style;
}
