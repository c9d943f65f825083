import type { Rotation } from '@longbar/core';
import type { ViewStyle } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { Act } from '../../../ui/Act';

/** Says that one stands at the other end, from which the engine turns the other way. */
export function StandsAtOther({ rotation, style }: { rotation: Rotation; style?: ViewStyle }) {
  const dispatch = useDispatch();
  const other = rotation.seenFrom === 'front' ? 'rear' : 'front';
  return (
    <Act
      label={`I stand at the ${other}`}
      {...(style && { style })}
      name={`I stand at the ${other}: tell it as seen from there`}
      onPress={() => dispatch(preferencesChanged({ standsAt: other }))}
    />
  );
}
