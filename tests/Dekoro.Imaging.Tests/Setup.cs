using System.Runtime.CompilerServices;

namespace Dekoro.Imaging.Tests;

/// <summary>
/// The library is set up before any test draws with it: while loaders are shut and opened again, a test that runs
/// beside would meet one that is shut. The program itself always sets it up first.
/// </summary>
internal static class Setup
{
    [ModuleInitializer]
    internal static void Begin() => Vips.EnsureReady();
}
