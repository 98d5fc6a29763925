import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin';

/**
 * What a check says of simulated hands is no part of its judgement: the simulated world's own tests hold it. Nor are
 * the words of its fields, which every form and document reads.
 * @type {{ shouldIgnore: (path: any) => string | undefined }}
 */
const simulated = {
  shouldIgnore: (path) =>
    ((path.isObjectMethod() || path.isObjectProperty()) && path.node.key.name === 'simulate') ||
    (path.isFunctionDeclaration() && path.node.id?.name.startsWith('simulate'))
      ? 'hands that are simulated'
      : path.isVariableDeclarator() && path.node.id.name === 'readings'
        ? 'words of fields'
        : undefined
};

export const strykerPlugins = [declareValuePlugin(PluginKind.Ignore, 'simulated', simulated)];
