import type { ComponentProps } from 'react';
import { lazy, Suspense } from 'react';
import { Words } from '../../ui/Words';

// Two pages show the editor, and the yard does without: it is a script of its own.
const EditorScreen = lazy(async () => {
  const { EditorScreen: default_ } = await import('./EditorScreen');
  return { default: default_ };
});

/** The editor of sheets, once its script is here. */
export function EditorHere(props: ComponentProps<typeof EditorScreen>) {
  return (
    <Suspense fallback={<Words>Opening the editor …</Words>}>
      <EditorScreen {...props} />
    </Suspense>
  );
}
