/** What a write comes back with: done, or why not, by field. */
export type Sent<T> =
  { ok: true; data: T } | { ok: false; errors: Record<string, string>; more: Record<string, unknown> };

const NO_SERVER = 'No answer from the server. What you wrote is kept here; try again.';

/**
 * Sends a write. Bodies carry an id made here, so that sending again after a lost answer writes nothing twice.
 * Never throws: a lost connection is an error of the form as a whole.
 */
export async function send<T = unknown>(url: string, body: unknown): Promise<Sent<T>> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body)
    });
    const answer = await response.json().catch(() => null);
    if (answer && typeof answer.ok === 'boolean') return answer as Sent<T>;
    // Not an answer of ours to this write (a fault, a proxy): sending it again is right, and harmless.
    const fault = answer?.message ? `${answer.message}${answer.id ? ` (${answer.id})` : ''}` : NO_SERVER;
    return { ok: false, errors: { '': fault }, more: { retry: true } };
  } catch {
    return { ok: false, errors: { '': NO_SERVER }, more: { retry: true } };
  }
}
