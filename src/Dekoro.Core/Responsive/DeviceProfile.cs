using System.Collections.Immutable;

namespace Dekoro.Core.Responsive;

/// <summary>The devices a site is computed for; their shares add up to 1.</summary>
public sealed class DeviceProfile
{
    /// <exception cref="ArgumentException">No device, or shares that do not add up to 1.</exception>
    public DeviceProfile(IEnumerable<Device> devices)
    {
        Devices = [.. devices];
        if (Devices.IsEmpty || Math.Abs(Devices.Sum(d => d.Share) - 1) > 1e-6)
            throw new ArgumentException("A device profile has at least one device, and its shares add up to 1.");
    }

    /// <summary>What visitors hold, each with its share.</summary>
    public ImmutableArray<Device> Devices { get; }

    /// <summary>Those whose screens fall into a width class.</summary>
    public IEnumerable<Device> In(WidthClass c, WidthClasses classes) =>
        Devices.Where(d => classes.ClassOf(d.ViewportCssPx) == c);

    /// <summary>
    /// A general audience of a small organisation's site: seventeen rows of common viewports and pixel ratios. The
    /// shares are our own round figures; a site that measures its visitors replaces them.
    /// </summary>
    public static DeviceProfile Standard { get; } =
        new([
            new("phone 320 at 2", 320, 2, 0.01),
            new("phone 360 at 3", 360, 3, 0.14),
            new("phone 375 at 2", 375, 2, 0.05),
            new("phone 390 at 3", 390, 3, 0.16),
            new("phone 393 at 2.75", 393, 2.75, 0.05),
            new("phone 412 at 2.625", 412, 2.625, 0.12),
            new("phone 430 at 3", 430, 3, 0.06),
            new("tablet 768 at 2", 768, 2, 0.03),
            new("tablet 800 at 1.5", 800, 1.5, 0.02),
            new("tablet 820 at 2", 820, 2, 0.03),
            new("tablet 1024 at 2", 1024, 2, 0.02),
            new("desktop 1280 at 1", 1280, 1, 0.05),
            new("desktop 1366 at 1", 1366, 1, 0.06),
            new("desktop 1440 at 2", 1440, 2, 0.07),
            new("desktop 1536 at 1.25", 1536, 1.25, 0.06),
            new("desktop 1920 at 1", 1920, 1, 0.05),
            new("desktop 2560 at 1", 2560, 1, 0.02),
        ]);
}
