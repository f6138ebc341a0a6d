namespace Dekoro.StandIns;

/// <param name="Header">Of one name; empty where there is none.</param>
/// <param name="Body">Read to its end at most once.</param>
public sealed record StandInRequest(string Method, Uri Address, Func<string, string> Header, Stream Body)
{
    /// <summary>What is only looked at.</summary>
    public static StandInRequest Get(Uri address) => new("GET", address, _ => "", Stream.Null);
}
