/** The document of a row; nothing, where what stands there is no JSON any more. */
export function bodyOf({ body }: { body: string }): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return {};
  }
}
