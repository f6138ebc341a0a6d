namespace Dekoro.Core.Responsive;

/// <summary>One value for each width class.</summary>
public readonly record struct PerClass<T>(T Phone, T Tablet, T Desktop)
{
    /// <summary>The value for a class.</summary>
    public T this[WidthClass c] =>
        c switch
        {
            WidthClass.Phone => Phone,
            WidthClass.Tablet => Tablet,
            _ => Desktop,
        };

    /// <summary>Another value for each class.</summary>
    public PerClass<TOut> Select<TOut>(Func<WidthClass, T, TOut> f) =>
        new(f(WidthClass.Phone, Phone), f(WidthClass.Tablet, Tablet), f(WidthClass.Desktop, Desktop));
}
