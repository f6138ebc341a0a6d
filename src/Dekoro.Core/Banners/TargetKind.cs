using System.Text.Json.Serialization;

namespace Dekoro.Core.Banners;

/// <summary>What a target names.</summary>
public enum TargetKind
{
    /// <summary>All pages that are no posts.</summary>
    [JsonStringEnumMemberName("pages")]
    Pages,

    /// <summary>All posts.</summary>
    [JsonStringEnumMemberName("posts")]
    Posts,

    /// <summary>One page or post, by its id.</summary>
    [JsonStringEnumMemberName("page")]
    Page,

    /// <summary>Posts in a folder of addresses.</summary>
    [JsonStringEnumMemberName("folder")]
    Folder,
}
