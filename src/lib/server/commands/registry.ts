import type { TeamKind } from '../../core/command/commands';
import type { Handler } from '../book/handler';
import { commands as access } from '../access/commands';
import { commands as api } from '../api/commands';
import { commands as calendar } from '../calendar/commands';
import { commands as chain } from '../chain/commands';
import { commands as component } from '../component/commands';
import { commands as finding } from '../finding/commands';
import { commands as hours } from '../hours/commands';
import { commands as job } from '../job/commands';
import { commands as machine } from '../machine/commands';
import { commands as outing } from '../outing/commands';
import { commands as record } from '../record/commands';
import { commands as round } from '../round/commands';
import { commands as rules } from '../rules/commands';
import { commands as schedule } from '../schedule/commands';
import { commands as specs } from '../specs/commands';
import { commands as stores } from '../stores/commands';
import { commands as team } from '../team/commands';
import { commands as valve } from '../valve/commands';
import { commands as visit } from '../visit/commands';

/** How every command is carried out; each noun says its own. Setting up a team is not here: see `founding/`. */
export const REGISTRY: { [K in TeamKind]: Handler<K> } = {
  ...access,
  ...api,
  ...calendar,
  ...chain,
  ...component,
  ...finding,
  ...hours,
  ...job,
  ...machine,
  ...outing,
  ...record,
  ...round,
  ...rules,
  ...schedule,
  ...specs,
  ...stores,
  ...team,
  ...valve,
  ...visit
};
