const NO_ANSWER = 'The server does not answer. Is it still running?';

/** What the server answers at a path; throws with its reason where it refuses. */
export async function request<T>(path: string, options: RequestInit = {}): Promise<T> {
  const response = await fetch(path, options);
  const body = (await response.json()) as T & { error?: { message: string } };
  if (!response.ok) throw new Error(body.error?.message ?? NO_ANSWER);
  return body;
}

/** Why nothing came of asking, in one sentence. */
export function reasonOf(error: unknown): string {
  // What never reached the server is a TypeError.
  return error instanceof TypeError || !(error instanceof Error) ? NO_ANSWER : error.message;
}
