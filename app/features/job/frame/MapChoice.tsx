import type { HeadView } from '@longbar/core';
import { HEAD_VIEWS } from '@longbar/core';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { OneOf } from '../../../ui/OneOf';
import { Words } from '../../../ui/Words';

const VIEWS: Record<HeadView, string> = {
  along: 'Along the head',
  far: 'From the far side',
  firing: 'In firing order',
};

/** How one looks at the head: the map is turned to be as the engine lies before one. */
export function MapChoice() {
  const dispatch = useDispatch();
  const chosen = useAppSelector((state) => state.preferences.headView);
  return (
    <View>
      <Words as="strong">The map, as I look at the engine</Words>
      <OneOf
        name="The map"
        columns={2}
        options={HEAD_VIEWS.map((view) => [view, VIEWS[view]] as const)}
        chosen={chosen}
        onChoose={(headView) => dispatch(preferencesChanged({ headView }))}
      />
    </View>
  );
}
