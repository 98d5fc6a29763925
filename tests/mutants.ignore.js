import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin';

/**
 * What a check says of simulated hands is no part of its judgement: the simulated world's own tests hold it.
 * @type {{ shouldIgnore: (path: any) => string | undefined }}
 */
const simulated = {
  shouldIgnore: (path) =>
    (path.isObjectMethod() && path.node.key.name === 'simulate') ||
    (path.isFunctionDeclaration() && path.node.id?.name.startsWith('simulate'))
      ? 'hands that are simulated'
      : undefined
};

export const strykerPlugins = [declareValuePlugin(PluginKind.Ignore, 'simulated', simulated)];
