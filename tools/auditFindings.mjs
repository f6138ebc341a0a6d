/** What registries say of vulnerable packages, read alike: lines "name version", of high severity or worse. */
const severe = (severity) => ['high', 'critical'].includes(severity?.toLowerCase());

/** Of `npm audit --json`; null where the registry told nothing. */
export function ofNpm(told) {
  if (!told?.metadata?.vulnerabilities) return null;
  const named = Object.entries(told.vulnerabilities ?? {});
  return named.filter(([, one]) => severe(one.severity)).map(([name, one]) => `${name} ${one.range}`);
}

/** Of `dotnet list package --vulnerable --include-transitive --format json`; null where it broke off. */
export function ofNuGet(told) {
  if (!Array.isArray(told?.projects) || told.problems?.some((p) => p.level === 'error')) return null;
  const packages = told.projects
    .flatMap((project) => project.frameworks ?? [])
    .flatMap((framework) => [...(framework.topLevelPackages ?? []), ...(framework.transitivePackages ?? [])])
    .filter((one) => one.vulnerabilities?.some((v) => severe(v.severity)));
  return [...new Set(packages.map((one) => `${one.id} ${one.resolvedVersion}`))];
}
