export { RobotsAccess } from './access.ts';
export { wayInAt, type AddressWay } from './any-address.ts';
export { discover, type Beginnings } from './discovery.ts';
export { Evidences, plannedDirectives, type Access, type EnteredPage } from './evidence.ts';
export { otherFiles, type OtherFile } from './other-files.ts';
export { neededFiles, reportOnRobots, robotsEffect, type LineTouch, type RobotsEffect, type RobotsReport, type Some } from './robots-report.ts';
