import { addressOf } from '../outgoing/askOutside';
import { wrongField } from '../requestError';

/** What has an address, as it was typed. Throws RequestError 400 where that cannot be asked. */
export function askable<Post extends { address: string }>(post: Post): Post {
  try {
    addressOf(post.address);
  } catch (error) {
    throw wrongField('address', error instanceof Error ? error.message : String(error));
  }
  return post;
}
