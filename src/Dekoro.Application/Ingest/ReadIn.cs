using Dekoro.Storage;

namespace Dekoro.Application.Ingest;

/// <summary>
/// A file that was read and not yet recorded: nobody else's letting go takes it until it is disposed of.
/// </summary>
/// <param name="Asset">Null where it was refused or was there before.</param>
public sealed record ReadIn(Asset? Asset, Taken Taken, IDisposable? Claim = null) : IDisposable
{
    /// <inheritdoc/>
    public void Dispose() => Claim?.Dispose();
}
