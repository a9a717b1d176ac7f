/** Jobs of the product that are about valves. */
export const VALVE_JOBS: readonly string[] = ['valve-check', 'valve-reshim', 'valve-screws'];

/** Whether a task is the one a check of the clearances is done for: by its job, or by what it is called. */
export const isValveTask = (t: { name: string; job: string | null }): boolean =>
  (t.job !== null && VALVE_JOBS.includes(t.job)) || /\bvalves?\b|clearance/i.test(t.name);
