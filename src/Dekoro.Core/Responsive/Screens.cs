namespace Dekoro.Core.Responsive;

/// <summary>The screens that pages are made for, CSS px of viewport.</summary>
public static class Screens
{
    /// <summary>The narrowest phone on which a page still has to work (WCAG 2.2, 1.4.10 Reflow).</summary>
    public const int NarrowestPx = 320;

    /// <summary>The widest that is planned for; beyond it no page grows.</summary>
    public const int WidestPx = 2560;
}
