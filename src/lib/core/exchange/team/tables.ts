import type { z } from 'zod';
import { command } from './rows/audit';
import { chainCheck, chainDrive, chainEntry, chainReading } from './rows/chains';
import { finding, findingChange, photo, reminder } from './rows/findings';
import {
  event,
  eventMachine,
  machineCall,
  meter,
  meterDead,
  outing,
  reading,
  readingStrike
} from './rows/hours';
import { component, fitting, houseRule, machine, modification } from './rows/machines';
import { jobTemplate, person, roundChecks, specSource } from './rows/people';
import { airFilterMovement, machineRound, roundAnswer } from './rows/rounds';
import { fastener, figureCheck, specFigure } from './rows/sheet';
import { adapter, airFilter, bladeSet, oil, shimLevel, torqueWrench } from './rows/stores';
import {
  intervalProposal,
  rebuild,
  rebuildTask,
  recordCorrection,
  serviceRecord,
  task,
  taskChange,
  taskTrigger,
  visitTask
} from './rows/tasks';
import { shimMovement, valveCheck, valveHead, valveReading, valveShim } from './rows/valves';
import { oilMovement, openedItem, visit, visitEntry, visitStep } from './rows/visits';

/**
 * What a team's file holds: a row for everything that was written, by its table, in an order in which each can be put back
 * after what it points to. Not in it: what is worked out from them (standings, steps of the count), photos that belong nowhere
 * yet, and the secret addresses of calendars and keys of programs, which are of this server. A team's own id is said once.
 */
export const TABLES = {
  person,
  spec_source: specSource,
  job_template: jobTemplate,
  round_checks: roundChecks,
  adapter,
  torque_wrench: torqueWrench,
  blade_set: bladeSet,
  oil,
  air_filter: airFilter,
  shim_level: shimLevel,
  machine,
  house_rule: houseRule,
  component,
  fitting,
  modification,
  event,
  event_machine: eventMachine,
  meter,
  meter_dead: meterDead,
  outing,
  reading,
  reading_strike: readingStrike,
  machine_call: machineCall,
  visit,
  visit_step: visitStep,
  opened_item: openedItem,
  visit_entry: visitEntry,
  oil_movement: oilMovement,
  fastener,
  spec_figure: specFigure,
  figure_check: figureCheck,
  machine_round: machineRound,
  round_answer: roundAnswer,
  air_filter_movement: airFilterMovement,
  finding,
  finding_change: findingChange,
  reminder,
  photo,
  task,
  task_trigger: taskTrigger,
  task_change: taskChange,
  visit_task: visitTask,
  service_record: serviceRecord,
  record_correction: recordCorrection,
  rebuild,
  rebuild_task: rebuildTask,
  interval_proposal: intervalProposal,
  valve_head: valveHead,
  valve_check: valveCheck,
  valve_reading: valveReading,
  valve_shim: valveShim,
  shim_movement: shimMovement,
  chain_drive: chainDrive,
  chain_check: chainCheck,
  chain_reading: chainReading,
  chain_entry: chainEntry,
  command
} as const;

export type TableName = keyof typeof TABLES;
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
export type RowOf<T extends TableName> = z.infer<(typeof TABLES)[T]>;
