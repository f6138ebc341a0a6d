namespace Dekoro.Core.Links;

/// <summary>What a typed address was read as: a link, with the repair that was made, or an error.</summary>
/// <param name="Link">Null where there is an error.</param>
/// <param name="Repair">A sentence saying what was changed; null where nothing was.</param>
/// <param name="Error">A sentence saying why it leads nowhere and what to do; null where there is a link.</param>
public sealed record LinkReading(Link? Link, string? Repair, string? Error)
{
    internal static LinkReading Of(Link link, string? repair = null) => new(link, repair, null);

    internal static LinkReading Refused(string error) => new(null, null, error);
}
