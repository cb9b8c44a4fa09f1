export { parseRobots, ROBOTS_LIMIT, type RobotsFile, type RobotsGroup, type RobotsLine, type RobotsRule } from './parse.ts';
export { robotsMatcher, type RobotsMatcher, type RobotsVerdict } from './match.ts';
export { comparedPath, normalizePath, normalizePattern } from './normalize.ts';
export { NOBODY, openPaths, withoutSitemaps, withSitemap } from './edit.ts';
export { crawlDelay } from './delay.ts';
export { addRule, insertLine, moveLine, removeLine, replaceLine, retyped, setRule, type RuleWords } from './lines.ts';
export { lintRobots, TROUBLE_COSTS, type LintSite, type RobotsTrouble } from './lint.ts';
