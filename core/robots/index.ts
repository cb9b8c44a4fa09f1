export { parseRobots, ROBOTS_LIMIT, type RobotsFile, type RobotsGroup, type RobotsLine, type RobotsRule } from './parse.ts';
export { robotsMatcher, type RobotsMatcher, type RobotsVerdict } from './match.ts';
export { comparedPath, normalizePath } from './normalize.ts';
export { openPath, withSitemap } from './edit.ts';
