import type { HeadView } from '@longbar/core';
import { HEAD_VIEWS } from '@longbar/core';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { Choice } from '../../../ui/Choice';
import { Tiles } from '../../../ui/Tiles';
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
    <View role="radiogroup" aria-label="The map">
      <Words as="strong">The map, as I look at the engine</Words>
      <Tiles columns={2}>
        {HEAD_VIEWS.map((headView) => (
          <Choice
            key={headView}
            label={VIEWS[headView]}
            chosen={chosen === headView}
            onPress={() => dispatch(preferencesChanged({ headView }))}
          />
        ))}
      </Tiles>
    </View>
  );
}
