/**
 * The invented driver library: packages as their makers publish them. What each drives is read from its own files in
 * `packages/`; only what stands on a maker's page is told here.
 */
import { createHash } from 'node:crypto';
import { ProblemList, readInf } from '../src/core/read/index.ts';
import { readSetupPackage, setupSaying } from '../src/core/drivers/index.ts';
import type { DriverPackage } from '../src/core/document/index.ts';

type Installer = DriverPackage['installer'];

/** What stands on the page from which it is downloaded. */
interface Published extends Partial<
  Pick<DriverPackage, 'channel' | 'order' | 'hotPlug' | 'installer' | 'firmware' | 'bootParameter'>
> {
  readonly id: string;
  readonly maker: string;
  readonly title: string;
  readonly version: string;
  readonly released: string;
  /** The first kernel that it is for. */
  readonly kernels?: string;
}

const DISPLAY_INSTALLER: Installer = {
  restarts: 1,
  flickers: true,
  goesOn: false,
  hasCleanOption: true,
  typicalAdds: ['control panel', 'sound over the screen lead'],
  expressAdds: ['settings of the last driver'],
};
const NETWORK_INSTALLER: Installer = {
  restarts: 0,
  flickers: false,
  goesOn: false,
  hasCleanOption: false,
  typicalAdds: ['teaming and VLAN'],
  expressAdds: [],
};

const PUBLISHED: readonly Published[] = [
  {
    id: 'kelpwick-display-32',
    maker: 'Kelpwick',
    title: 'Kelpwick display driver',
    version: '32.4.1',
    released: '2026-09-30',
    channel: 'newest',
    installer: DISPLAY_INSTALLER,
  },
  {
    id: 'kelpwick-display-31',
    maker: 'Kelpwick',
    title: 'Kelpwick display driver',
    version: '31.9.0',
    released: '2026-03-12',
    installer: DISPLAY_INSTALLER,
  },
  {
    id: 'kelpwick-kernel',
    maker: 'Kelpwick',
    title: 'kelpwick kernel module',
    version: '6.1',
    released: '2022-12-11',
    channel: 'system',
    hotPlug: true,
    kernels: '5.10',
  },
  {
    id: 'marlstrand-display-9',
    maker: 'Marlstrand',
    title: 'Marlstrand display driver',
    version: '9.2',
    released: '2026-10-20',
    installer: { ...DISPLAY_INSTALLER!, restarts: 2, goesOn: true },
  },
  {
    id: 'marlstrand-display-9-linux',
    maker: 'Marlstrand',
    title: 'Marlstrand display driver',
    version: '9.2',
    released: '2026-10-20',
    kernels: '6.6',
    bootParameter: 'marl_display.modeset=1',
  },
  {
    id: 'marlstrand-skiff',
    maker: 'Marlstrand',
    title: 'Skiff display driver',
    version: '2.7',
    released: '2015-05-04',
  },
  {
    id: 'sundwick-gull-5',
    maker: 'Sundwick',
    title: 'Sundwick radio driver',
    version: '5.10.2',
    released: '2026-06-18',
  },
  {
    id: 'sundwick-gull-300',
    maker: 'Sundwick',
    title: 'Gull 300 driver',
    version: '3.0.1',
    released: '2017-02-02',
  },
  {
    id: 'sundwick-gull-300-linux',
    maker: 'Sundwick',
    title: 'Gull 300 driver',
    version: '3.0.1',
    released: '2017-02-02',
    kernels: '4.4',
  },
  {
    id: 'sundwick-kernel',
    maker: 'Sundwick',
    title: 'sundwick kernel module',
    version: '6.1',
    released: '2022-12-11',
    channel: 'system',
    hotPlug: true,
    kernels: '5.15',
    firmware: { how: 'loaded', name: 'sundwick/gull-5.bin' },
  },
  {
    id: 'brinehollow-wire-12',
    maker: 'Brinehollow',
    title: 'Brinehollow network driver',
    version: '12.3',
    released: '2026-07-07',
    order: 'driver-first',
    hotPlug: true,
    installer: NETWORK_INSTALLER,
  },
  {
    id: 'brinehollow-kernel',
    maker: 'Brinehollow',
    title: 'brinehollow kernel module',
    version: '6.1',
    released: '2022-12-11',
    channel: 'system',
    hotPlug: true,
    kernels: '5.10',
  },
  {
    id: 'brinehollow-jetty',
    maker: 'Brinehollow',
    title: 'Enhanced host driver of the system',
    version: '10.0',
    released: '2015-07-29',
    channel: 'system',
  },
  {
    id: 'brinehollow-jetty-linux',
    maker: 'Brinehollow',
    title: 'Enhanced host driver of the system',
    version: '10.0',
    released: '2015-07-29',
    channel: 'system',
    kernels: '2.6',
  },
  {
    id: 'pellworth-anchor',
    maker: 'Pellworth',
    title: 'Anchor network driver',
    version: '4.8.0',
    released: '2025-11-11',
    hotPlug: true,
    kernels: '5.10',
  },
  {
    id: 'quillbark-sound',
    maker: 'Quillbark',
    title: 'Quillbark sound driver',
    version: '7.1',
    released: '2024-08-19',
    order: 'driver-first',
    hotPlug: false,
  },
  {
    id: 'quillbark-sound-linux',
    maker: 'Quillbark',
    title: 'Quillbark sound driver',
    version: '7.1',
    released: '2024-08-19',
    order: 'driver-first',
    hotPlug: false,
    kernels: '5.4',
  },
  {
    id: 'brinehollow-painter',
    maker: 'Brinehollow',
    title: 'Painter network driver of the system',
    version: '6.1',
    released: '2009-10-22',
    channel: 'system',
  },
  {
    id: 'brinehollow-painter-linux',
    maker: 'Brinehollow',
    title: 'Painter network driver of the system',
    version: '6.1',
    released: '2009-10-22',
    channel: 'system',
    kernels: '2.6',
  },
  {
    id: 'marlstrand-lens',
    maker: 'Marlstrand',
    title: 'Lens driver',
    version: '1.4.2',
    released: '2025-06-12',
  },
  {
    id: 'quillbark-reed',
    maker: 'Quillbark',
    title: 'Reed sound driver',
    version: '3.3',
    released: '2012-03-30',
  },
  {
    id: 'quillbark-reed-linux',
    maker: 'Quillbark',
    title: 'Reed sound driver',
    version: '3.3',
    released: '2012-03-30',
    kernels: '2.6',
  },
  {
    id: 'sundwick-petrel',
    maker: 'Sundwick',
    title: 'Petrel radio driver',
    version: '2.1',
    released: '2011-06-01',
    order: 'driver-first',
  },
  {
    id: 'sundwick-petrel-linux',
    maker: 'Sundwick',
    title: 'Petrel radio driver',
    version: '2.1',
    released: '2011-06-01',
    order: 'driver-first',
    kernels: '2.6',
  },
  {
    id: 'gannetry-strait',
    maker: 'Gannetry',
    title: 'Strait port driver',
    version: '1.41',
    released: '2025-02-14',
    order: 'driver-first',
    hotPlug: true,
  },
  {
    id: 'gannetry-strait-linux',
    maker: 'Gannetry',
    title: 'Strait port driver',
    version: '1.41',
    released: '2025-02-14',
    order: 'driver-first',
    hotPlug: true,
    kernels: '5.10',
  },
  {
    id: 'thornmere-bollard',
    maker: 'Thornmere',
    title: 'Bollard port driver',
    version: '2.0.7',
    released: '2019-09-09',
    order: 'driver-first',
  },
  {
    id: 'thornmere-bollard-linux',
    maker: 'Thornmere',
    title: 'Bollard port driver',
    version: '2.0.7',
    released: '2019-09-09',
    order: 'driver-first',
    kernels: '4.4',
  },
  {
    id: 'thornmere-vault',
    maker: 'Thornmere',
    title: 'Vault array driver',
    version: '8.20',
    released: '2023-01-25',
    order: 'driver-first',
    hotPlug: false,
    firmware: { how: 'flashed', name: 'Vault 8.20' },
  },
  {
    id: 'thornmere-vault-linux',
    maker: 'Thornmere',
    title: 'Vault array driver',
    version: '8.20',
    released: '2023-01-25',
    order: 'driver-first',
    hotPlug: false,
    kernels: '5.4',
    firmware: { how: 'flashed', name: 'Vault 8.20' },
  },
  ...(
    [
      ['screens', 'Oarlock display driver', '24.9.1', 'card-first'],
      ['network', 'Oarlock network driver', '11.6', 'card-first'],
      ['wifi', 'Oarlock radio driver', '4.2.0', 'driver-first'],
      ['sound', 'Oarlock sound driver', '6.0.1', 'card-first'],
    ] as const
  ).map(([kind, title, version, order]) => ({
    id: `oarlock-${kind}`,
    maker: 'Oarlock',
    title,
    version,
    released: '2025-09-01',
    order,
  })),
  {
    id: 'gannetry-quay',
    maker: 'Gannetry',
    title: 'Quay host driver',
    version: '2.6.0',
    released: '2026-05-12',
  },
  {
    id: 'quillbark-sound-72',
    maker: 'Quillbark',
    title: 'Quillbark sound driver',
    version: '7.2',
    released: '2026-11-02',
    channel: 'newest',
    order: 'driver-first',
  },
];

/** Files of all packages by their path: folder, stroke, name. */
export type PackageFiles = Readonly<Record<string, string>>;

export interface PackageFile {
  readonly name: string;
  readonly content: string;
}

/** The files of one package. */
export const filesOf = (id: string, files: PackageFiles): readonly PackageFile[] =>
  Object.entries(files).flatMap(([path, content]) =>
    path.startsWith(`${id}/`) ? { name: path.slice(id.length + 1), content } : [],
  );

export const driverLibrary = (files: PackageFiles): readonly DriverPackage[] =>
  PUBLISHED.map(({ kernels, ...page }) => {
    const own = filesOf(page.id, files);
    return {
      channel: 'recommended',
      order: 'card-first',
      hotPlug: null,
      installer: null,
      firmware: null,
      bootParameter: null,
      ...page,
      says: sayingOf(page.id, own, kernels),
      files: own.map(({ name, content }) => ({
        name,
        bytes: Buffer.byteLength(content),
        sha256: createHash('sha256').update(content).digest('hex'),
      })),
    };
  });

const ALIAS = /^alias (\S+) (\S+)$/;

function sayingOf(
  id: string,
  files: readonly PackageFile[],
  kernels: string | undefined,
): DriverPackage['says'] {
  const inf = files.find(({ name }) => name.endsWith('.inf'));
  if (inf !== undefined) {
    const problems = new ProblemList();
    const setup = readSetupPackage(readInf(inf.content, problems), problems);
    if (setup !== null) return setupSaying(setup);
  }
  const list = files.find(({ name }) => name === 'modules.alias');
  if (list === undefined || kernels === undefined)
    throw new Error(`${id}: nothing says what it drives`);
  return {
    kind: 'modules',
    aliases: list.content.split('\n').flatMap((line) => {
      const [, pattern, module] = ALIAS.exec(line) ?? [];
      return pattern === undefined || module === undefined ? [] : { pattern, module };
    }),
    systems: [{ family: 'linux', architecture: 'x86-64', from: kernels, to: null }],
  };
}
