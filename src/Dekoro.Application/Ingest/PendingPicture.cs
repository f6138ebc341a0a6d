using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Storage;

namespace Dekoro.Application.Ingest;

/// <summary>A picture of a proposal, decoded and measured but not yet in the library.</summary>
/// <param name="Asset">As it would be kept, or as it is kept where it was there before.</param>
/// <param name="WasThere">The same file is in the library already.</param>
/// <param name="Note">Something the person should know although the file can be taken.</param>
/// <param name="Keep">A keep area that came with it; null for none.</param>
/// <param name="Edits">Edits that came with it; null for none.</param>
public sealed record PendingPicture(
    Asset Asset,
    bool WasThere,
    string? Note,
    FocalRegion? Keep = null,
    Edits? Edits = null
);
