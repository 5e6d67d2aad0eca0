import Papa from 'papaparse';
import type { Plan } from '../core/model';
import { rfc3339 } from './clock';
import { memberName, pitName, placeName, type MessageContext } from './messages/names';
import { taskMessage } from './messages/task';

/** The run sheet as CSV (RFC 4180, UTF-8): one task a row, in order. */
export function runSheetCsv(messageContext: MessageContext, plan: Plan): string {
  const rows = plan.tasks.map((task) => {
    const words = taskMessage(messageContext, task, plan.runs);
    return {
      at: rfc3339(task.atMs, messageContext.event.timeZone),
      minutes: Math.round(task.minutes),
      latest: task.latestMs === undefined ? '' : rfc3339(task.latestMs, messageContext.event.timeZone),
      kind: task.kind,
      who: (task.who ?? []).map((id) => memberName(messageContext, id)).join(', '),
      place: task.placeId ? placeName(messageContext, task.placeId) : '',
      pit: task.pitId ? pitName(messageContext, task.pitId) : '',
      what: words.title,
      detail: words.detail,
      opening: task.opening ?? '',
      task_id: task.id,
    };
  });
  return `${Papa.unparse(rows, { columns: ['at', 'minutes', 'latest', 'kind', 'who', 'place', 'pit', 'what', 'detail', 'opening', 'task_id'], escapeFormulae: true })}\r\n`;
}
