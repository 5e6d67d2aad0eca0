/**
 * Long work in a worker whose news is told until it has ended and never after. News and the result come on
 * ports of their own, between which no order is kept: on a busy machine the last news may come behind the result,
 * and a page that took it would show the work as still going on for ever.
 */
export async function newsUntilEnd<News extends unknown[], T>(
  tell: (...news: News) => void,
  work: (tell: (...news: News) => void) => Promise<T>,
): Promise<T> {
  let ended = false;
  try {
    return await work((...news) => {
      if (!ended) tell(...news);
    });
  } finally {
    ended = true;
  }
}
