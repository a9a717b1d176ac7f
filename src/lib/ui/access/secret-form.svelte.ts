import type { SubmitFunction } from '@sveltejs/kit';

const NO_SERVER = 'No answer from the server. What you typed is still here; try again.';

/**
 * A form with secrets, which are no command: sent once for each press however often it is pressed, and what was typed stays where no
 * answer comes, or one that is none of the form's.
 */
export class SecretForm {
  busy = $state(false);
  /** What is wrong besides what is said at the fields. */
  fault = $state('');

  /** @param taken called once it was taken, where the page stays */
  constructor(readonly taken: () => void = () => {}) {}

  /** For the form element: `use:enhance={form.send}`. */
  send: SubmitFunction = ({ cancel }) => {
    if (this.busy) return cancel();
    this.busy = true;
    this.fault = '';
    return async ({ result, update }) => {
      this.busy = false;
      if (result.type === 'error')
        this.fault = result.status ? (result.error.message ?? NO_SERVER) : NO_SERVER;
      // A whole new page: somebody else, or another team, means other data everywhere.
      else if (result.type === 'redirect') location.assign(result.location);
      else {
        await update({ reset: result.type === 'success' });
        if (result.type === 'success') this.taken();
      }
    };
  };
}
