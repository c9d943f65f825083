import type * as v from 'valibot';

/** What comes or goes as something else than JSON, by its media type. */
export type Media = { media: string };

/** What an endpoint is described by. */
export type Endpoint = {
  /** What it does, in a sentence. */
  does: string;
  /** What may stand behind the `?`. */
  query?: v.ObjectSchema<v.ObjectEntries, undefined>;
  /** What it takes. */
  takes?: v.GenericSchema | Media;
  /** What it answers where all is well, by status; null where that is nothing. */
  answers: Readonly<Record<number, v.GenericSchema | Media | null>>;
};

export const isMedia = (content: v.GenericSchema | Media): content is Media => 'media' in content;
