// The folders of the browser's part in their order: each uses those before it and none after.
// `ui` and `kernel` (the CAD kernel that reads STEP) know nobody; `api` ← `job` ← the panels, which may use one another but not in a circle ← `workbench`.
const FOLDERS = ['ui', 'api', 'job', '(view|board|strip|card|check|make|locker|dialogs|people|jobs)', 'workbench'];

const after = (index) => FOLDERS.slice(index + 1).join('|');

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'ui-knows-nobody',
      severity: 'error',
      from: { path: '^resources/js/ui/' },
      to: { path: '^resources/js/(?!ui/)' },
    },
    {
      name: 'kernel-knows-nobody',
      severity: 'error',
      from: { path: '^resources/js/kernel/' },
      to: { path: '^resources/js/(?!kernel/)' },
    },
    ...FOLDERS.slice(1, -1).map((folder, index) => ({
      name: `no-arrow-back-from-${index + 1}`,
      severity: 'error',
      from: { path: `^resources/js/${folder}/` },
      to: { path: `^resources/js/(${after(index + 1)})/` },
    })),
    {
      name: 'no-circle-of-panels',
      comment: 'A panel that is used by another does not use it in turn.',
      severity: 'error',
      from: { path: '^resources/js/view/' },
      to: { path: '^resources/js/(board|strip|card|check|make|locker|dialogs|people|jobs)/' },
    },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' } },
};
