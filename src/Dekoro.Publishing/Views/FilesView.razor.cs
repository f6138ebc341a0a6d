using Dekoro.Core.Content;
using Dekoro.Core.Links;

namespace Dekoro.Publishing.Views;

/// <summary>A table of files to take away.</summary>
public partial class FilesView
{
    [Parameter, EditorRequired]
    public required PageModel Model { get; set; }

    [Parameter, EditorRequired]
    public required FilesBlock Files { get; set; }

    /// <summary>Those that are still in the library.</summary>
    private List<(string Words, string Href, LinkedFile File)> Rows =>
        [
            .. Files
                .Files.Where(f => Model.Plan.Addresses.FileById.ContainsKey(f.FileId))
                .Select(f => (Listed: f, File: Model.Plan.Addresses.FileById[f.FileId]))
                .Select(f => (f.Listed.Words ?? f.File.Title, Model.HrefOf(new Link.File(f.Listed.FileId))!, f.File)),
        ];
}
