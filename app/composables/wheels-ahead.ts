import type { Axle } from '#core/quantity/axle.ts'
import type { Setup } from '#core/records/setup.ts'
import { useProjectStore } from '../stores/project.ts'
import type { useReports } from './reports.ts'

/** More than these are not looked at ahead. */
const FEW_WHEELS = 24

/** Fetches the list of wheels, and looks at those of the project once: the worker remembers their gaps. */
export function wheelsAhead(worker: ReturnType<ReturnType<typeof useReports>['worker']>, setup: Setup | undefined, axle: Axle): void {
  void import('../components/corner/CompareWheels.vue')
  const { project } = useProjectStore()
  const wheels = project?.parts.filter((part) => part.kind === 'wheel').length ?? 0
  // a failure is said where the list is asked for
  if (project && setup && wheels <= FEW_WHEELS) worker.wheels(project, setup.id, axle).catch(() => undefined)
}
