/** The version resource of a Windows file (VS_VERSIONINFO), read by the resedit package. */
import { NtExecutable, NtExecutableResource, Resource } from 'resedit';
import { cleanText } from './bundle-files.ts';

export interface VersionResource {
  readonly product: string | null;
  readonly company: string | null;
  readonly version: string | null;
}

const nothing: VersionResource = { product: null, company: null, version: null };

/** All null where the file has no such resource or it cannot be understood. */
export function readVersionResource(bytes: Uint8Array): VersionResource {
  try {
    const file = NtExecutable.from(bytes, { ignoreCert: true });
    const info = Resource.VersionInfo.fromEntries(NtExecutableResource.from(file).entries)[0];
    const language = info?.getAllLanguagesForStringValues()[0];
    if (!info || !language) return nothing;
    const values = info.getStringValues(language);
    return { product: cleanText(values['ProductName']), company: cleanText(values['CompanyName']), version: cleanText(values['ProductVersion'] ?? values['FileVersion']) };
  } catch {
    return nothing;
  }
}
