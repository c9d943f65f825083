import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { ICON_PATHS } from './iconPaths';

export type IconName = keyof typeof ICON_PATHS;

type Props = { name: IconName; color: string; size?: number };

export const Icon = memo(function Icon({ name, color, size = 24 }: Props) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={ICON_PATHS[name]} fill={color} />
    </Svg>
  );
});

function isIcon(name: unknown): name is IconName {
  return typeof name === 'string' && name in ICON_PATHS;
}

/** What Paper draws icons with; names it asks for itself that are not ours stay empty. */
export function PaperIcon({ name, color, size }: { name?: unknown; color?: string; size: number }) {
  if (!isIcon(name)) return null;
  return <Icon name={name} color={color ?? 'currentColor'} size={size} />;
}
