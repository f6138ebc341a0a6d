namespace Dekoro.Core.Widths;

/// <summary>The three kinds of screen, by viewport width.</summary>
public enum WidthClass { Phone, Tablet, Desktop }

/// <summary>One value for each width class.</summary>
public readonly record struct PerClass<T>(T Phone, T Tablet, T Desktop)
{
    public T this[WidthClass c] => c switch
    {
        WidthClass.Phone => Phone,
        WidthClass.Tablet => Tablet,
        _ => Desktop,
    };

    public PerClass<TOut> Select<TOut>(Func<WidthClass, T, TOut> f) => new(
        f(WidthClass.Phone, Phone), f(WidthClass.Tablet, Tablet), f(WidthClass.Desktop, Desktop));
}

/// <summary>Where the width classes begin, and the width each is looked at. CSS px of viewport.</summary>
public sealed record WidthClasses
{
    public static IReadOnlyList<WidthClass> All { get; } = [WidthClass.Phone, WidthClass.Tablet, WidthClass.Desktop];

    /// <returns>As in "phone, tablet and desktop".</returns>
    public static string InWords(IEnumerable<WidthClass> classes) => classes.Select(c => c.ToString().ToLowerInvariant()).ToList() switch
    {
        [.. var before, var last] when before.Count > 0 => $"{string.Join(", ", before)} and {last}",
        var few => string.Concat(few),
    };

    /// <exception cref="ArgumentException">Classes that cross, or a reference width outside its class.</exception>
    public WidthClasses(int tabletFromPx, int desktopFromPx, PerClass<int> referencePx)
    {
        if (!(tabletFromPx > 320 && desktopFromPx > tabletFromPx))
            throw new ArgumentException("Width classes begin one after the other: phone from 0, tablet after 320, desktop after tablet.");
        (TabletFromPx, DesktopFromPx, ReferencePx) = (tabletFromPx, desktopFromPx, referencePx);
        foreach (var c in All)
        {
            if (ClassOf(referencePx[c]) != c)
                throw new ArgumentException($"The reference width {referencePx[c]} px is not a {c.ToString().ToLowerInvariant()} width.");
        }
    }

    public static WidthClasses Standard { get; } = new(700, 1184, new(390, 820, 1280));

    public int TabletFromPx { get; }
    public int DesktopFromPx { get; }
    public PerClass<int> ReferencePx { get; }

    public int FromPx(WidthClass c) => c switch { WidthClass.Phone => 0, WidthClass.Tablet => TabletFromPx, _ => DesktopFromPx };

    public WidthClass ClassOf(double viewportCssPx) =>
        viewportCssPx >= DesktopFromPx ? WidthClass.Desktop : viewportCssPx >= TabletFromPx ? WidthClass.Tablet : WidthClass.Phone;
}
