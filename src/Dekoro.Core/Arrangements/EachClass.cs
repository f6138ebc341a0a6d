using Dekoro.Core.Responsive;

namespace Dekoro.Core.Arrangements;

/// <summary>Numbers for phone, tablet and desktop, as they are kept and sent: a list of three.</summary>
internal static class EachClass
{
    public static int[] Of(PerClass<int> of) => [of.Phone, of.Tablet, of.Desktop];

    public static PerClass<int> Read(IReadOnlyList<int> of) => new(of[0], of[1], of[2]);

    public static bool AreWithin(IReadOnlyList<int>? numbers, int min, int max) =>
        numbers is { Count: 3 } && numbers.All(n => n >= min && n <= max);
}
