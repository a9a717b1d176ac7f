import { send } from '../form/send';
import { say } from '../base/page.svelte';

/** Damage a remark names, on its way to be a finding. Its id is made once: sent again, it is written once. */
export interface NewFinding {
  id: string;
  what: string;
}

/** Writes down what was found at an outing that has just been taken; without a signal it waits like the outing itself. */
export async function writeFindings(
  machineId: string,
  foundOn: string,
  findings: readonly NewFinding[]
): Promise<void> {
  for (const f of findings) {
    const sent = await send('finding.add', {
      id: f.id,
      machineId,
      componentId: null,
      what: f.what,
      place: '',
      note: '',
      severity: 'fix now',
      foundOn
    });
    if (!sent.ok && !sent.more.kept)
      say(
        `The outing is written down, the finding “${f.what}” is not: ${Object.values(sent.errors)[0] ?? 'not saved'}`,
        [{ text: 'Findings', href: `/findings?machine=${machineId}` }]
      );
  }
}
