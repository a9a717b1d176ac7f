import { tick } from 'svelte';
import type { Action } from 'svelte/action';
import { derived, get, type Readable, type Writable } from 'svelte/store';
import { setError } from 'sveltekit-superforms';
import { superForm } from 'sveltekit-superforms/client';
import { readAgain } from '../base/again';
import type { Answer, Body, COMMANDS, Kind } from '$lib/core/command/commands';
import { say, WAITS } from '../base/page.svelte';
import { send, type Typed } from './send';

/** What is typed in a form and what is said of it, for a page to show. */
export interface CommandForm<T extends object = object> {
  data: Writable<T>;
  /** By field as its path is written (`triggers.0.every`); of the form as a whole under ''. */
  errors: Readable<Record<string, string>>;
  /** It is on its way. */
  busy: Readable<boolean>;
  /** For the form element: `use:enhance`. */
  enhance: Action<HTMLFormElement>;
  /** Empties it: another write from here on. @param more what it begins with this time */
  reset: (more?: Partial<T>) => void;
}

interface Options<K extends Kind, T> {
  /** The body of the command, where the fields are not it already. */
  body?: (typed: T) => Typed<Body<K>>;
  /** What is wrong besides what the schema sees, by field. */
  also?: (typed: T) => Record<string, string>;
  /** What is said at the foot of the page once it is taken; worked out while the page still shows how it was. */
  says?: (answer: Answer<K>, typed: T) => string;
  /** It was taken. The page's data have been read anew, unless it leaves. */
  taken: (answer: Answer<K>, typed: T) => unknown;
  /** It is kept on this device until the server answers: the hand goes on. Without it, the form is emptied. */
  kept?: (typed: T) => unknown;
  /** It was refused. @returns what is said of it at the fields, where that is not all of it */
  refused?: (errors: Record<string, string>, more: Record<string, unknown>) => Record<string, string>;
  /** Taken, the page is left for another. */
  leaves?: boolean;
}

/**
 * A form that writes one command. It is checked against the command's own schema where it is typed, once on sending and from
 * then on as it is put right, and by the server in any case; what either says stands at its field, and what was typed stays.
 *
 * @param kind which command
 * @param schema its schema: given by the page, so that it loads this one and not all of them
 * @param start what the fields begin with, among them the id of what is written: sent twice, it is written once
 */
export function commandForm<K extends Kind, T extends object>(
  kind: K,
  schema: (typeof COMMANDS)[K],
  start: () => T,
  options: Options<K, T>
): CommandForm<T> {
  const bodyOf = options.body ?? ((typed: T) => typed as unknown as Typed<Body<K>>);
  /** Fields that are said to be wrong, and what the server said of them while they read as they did. */
  let wrong = new Set<string>();
  let refusals: { path: string; message: string; of: string }[] = [];
  const read = (body: unknown, path: string) =>
    JSON.stringify(
      path === ''
        ? body
        : path.split('.').reduce<unknown>((o, k) => (o as Record<string, unknown>)?.[k], body)
    );
  /** What the schema has against it. The form keeps the text: the amounts it reads do not go back into the fields. */
  const problems = (typed: T) => {
    const parsed = schema.safeParse(bodyOf(typed));
    return [
      ...(parsed.success
        ? []
        : parsed.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message }))),
      ...Object.entries(options.also?.(typed) ?? {}).map(([path, message]) => ({ path, message }))
    ];
  };
  const check = async (typed: unknown) => {
    const body = bodyOf(typed as T);
    let found = problems(typed as T);
    if (get(fields.submitting)) {
      wrong = new Set(found.map((f) => f.path));
      refusals = [];
    } else {
      // In between, what was wrong is told as right; nothing new is found fault with while it is being typed.
      found = [
        ...found.filter((f) => wrong.has(f.path)),
        ...refusals.filter((r) => read(body, r.path) === r.of)
      ];
    }
    return found.length === 0
      ? { success: true as const, data: {} }
      : {
          success: false as const,
          issues: found.map(({ path, message }) => ({ path: path === '' ? [] : path.split('.'), message }))
        };
  };
  const fields = superForm(start() as Record<string, unknown>, {
    id: crypto.randomUUID(),
    SPA: true,
    dataType: 'json',
    validators: { superFormValidationLibrary: 'custom', validate: check },
    resetForm: false,
    invalidateAll: false,
    applyAction: false,
    taintedMessage: null,
    // As the page scrolls anything: not smoothly where somebody wants less motion.
    scrollToError: 'auto',
    // A line that comes or goes when a field is left would move the button that is just being pressed.
    validationMethod: 'onsubmit',
    onUpdate: async ({ form, cancel }) => {
      if (!form.valid) {
        // What is said of it comes a moment after it was read, and would put back what the fields held then.
        form.data = get(fields.form);
        return;
      }
      const typed = form.data as T;
      const sent = await send(kind, bodyOf(typed));
      if (!sent.ok && sent.more.kept) {
        cancel();
        say(sent.errors['']!, WAITS);
        await (options.kept ? options.kept(typed) : reset());
        return;
      }
      if (!sent.ok) {
        const errors = options.refused?.(sent.errors, sent.more) ?? sent.errors;
        for (const [path, message] of Object.entries(errors)) setError(form, path as never, message);
        refusals = Object.entries(errors).map(([path, message]) => ({
          path,
          message,
          of: read(bodyOf(typed), path)
        }));
        // What was typed while it was on its way stays too.
        form.data = get(fields.form);
        return;
      }
      // What the form holds now is for whoever takes it further; it is not put back.
      cancel();
      if (options.says) say(options.says(sent.data, typed));
      if (!options.leaves) await readAgain();
      await options.taken(sent.data, typed);
    }
  });
  const reset = (more: Partial<T> = {}) => {
    wrong = new Set();
    refusals = [];
    fields.reset({ data: { ...start(), ...more } as Record<string, unknown> });
  };
  return {
    data: fields.form as unknown as Writable<T>,
    errors: derived(fields.allErrors, (all) =>
      Object.fromEntries(all.map(({ path, messages }) => [asField(path), messages[0]!]).reverse())
    ),
    busy: fields.submitting,
    enhance: (element) => {
      const again = () => {
        if (wrong.size > 0 || refusals.length > 0)
          void tick().then(() => fields.validateForm({ update: true, focusOnError: false }));
      };
      element.addEventListener('input', again);
      element.addEventListener('change', again);
      return fields.enhance(element);
    },
    reset
  };
}

/** `triggers[0].every` as our schemas write it; `_errors` is the form or the list as a whole. */
const asField = (path: string): string => path.replaceAll(/\[(\d+)\]/g, '.$1').replace(/(^|\.)_errors$/, '');
