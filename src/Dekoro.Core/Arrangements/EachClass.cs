using Dekoro.Core.Widths;

namespace Dekoro.Core.Arrangements;

/// <summary>Numbers for phone, tablet and desktop, as they are kept and sent: a list of three.</summary>
internal static class EachClass
{
    public static int[] Of(PerClass<int> of) => [of.Phone, of.Tablet, of.Desktop];

    public static PerClass<int> Read(IReadOnlyList<int> of) => new(of[0], of[1], of[2]);

    public static bool IsOutOf(IReadOnlyList<int>? numbers, int least, int most) => numbers is not { Count: 3 } || numbers.Any(n => n < least || n > most);
}
