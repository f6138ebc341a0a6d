namespace Dekoro.Core.Responsive;

/// <summary>Where the width classes begin, and the width each is looked at. CSS px of viewport.</summary>
public sealed record WidthClasses
{
    /// <summary>Narrowest first.</summary>
    public static IReadOnlyList<WidthClass> All { get; } = [WidthClass.Phone, WidthClass.Tablet, WidthClass.Desktop];

    /// <returns>As in "phone, tablet and desktop".</returns>
    public static string InWords(IEnumerable<WidthClass> classes) =>
        classes.Select(c => c.ToString().ToLowerInvariant()).ToList() switch
        {
            [.. var before, var last] when before.Count > 0 => $"{string.Join(", ", before)} and {last}",
            var few => string.Concat(few),
        };

    /// <exception cref="ArgumentException">Classes that cross, or a reference width outside its class.</exception>
    public WidthClasses(int tabletFromPx, int desktopFromPx, PerClass<int> referencePx)
    {
        if (!(tabletFromPx > Screens.NarrowestPx && desktopFromPx > tabletFromPx))
            throw new ArgumentException(
                "Width classes begin one after the other: phone from 0, tablet after "
                    + $"{Screens.NarrowestPx}, desktop after tablet."
            );
        (TabletFromPx, DesktopFromPx, ReferencePx) = (tabletFromPx, desktopFromPx, referencePx);
        foreach (var c in All)
        {
            if (ClassOf(referencePx[c]) != c)
                throw new ArgumentException(
                    $"The reference width {referencePx[c]} px is not a {c.ToString().ToLowerInvariant()} width."
                );
        }
    }

    /// <summary>What a new site begins with.</summary>
    public static WidthClasses Standard { get; } = new(700, 1184, new(390, 820, 1280));

    /// <summary>The narrowest screen that is a tablet's, in CSS px.</summary>
    public int TabletFromPx { get; }

    /// <summary>The narrowest screen that is a desktop's, in CSS px.</summary>
    public int DesktopFromPx { get; }

    /// <summary>The screen each class is shown at, in CSS px.</summary>
    public PerClass<int> ReferencePx { get; }

    /// <summary>The narrowest screen of a class, in CSS px.</summary>
    public int FromPx(WidthClass c) =>
        c switch
        {
            WidthClass.Phone => 0,
            WidthClass.Tablet => TabletFromPx,
            _ => DesktopFromPx,
        };

    /// <summary>The class of a screen.</summary>
    public WidthClass ClassOf(double viewportCssPx) =>
        viewportCssPx >= DesktopFromPx ? WidthClass.Desktop
        : viewportCssPx >= TabletFromPx ? WidthClass.Tablet
        : WidthClass.Phone;
}
