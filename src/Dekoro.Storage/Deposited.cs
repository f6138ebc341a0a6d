namespace Dekoro.Storage;

/// <param name="Service">The address it is handed in at; empty while nothing was.</param>
/// <param name="Object">Its own address there; empty while it has none.</param>
/// <param name="Words">Its description, as it was last seen or sent.</param>
/// <param name="HandedAt">When all of it had come; null until then.</param>
public sealed record Deposited(string Service, string Object, string Words, DateTimeOffset? HandedAt)
{
    /// <summary>Nothing was handed in yet.</summary>
    public static Deposited Nothing { get; } = new("", "", "", null);
}
