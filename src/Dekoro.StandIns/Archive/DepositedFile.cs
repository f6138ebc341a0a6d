namespace Dekoro.StandIns.Archive;

/// <param name="Sha256">Hex, by which it lies on the shelf.</param>
internal sealed record DepositedFile(
    string Name,
    string MediaType,
    string Sha256,
    int WidthPx,
    int HeightPx,
    DateTimeOffset CameAt
);
