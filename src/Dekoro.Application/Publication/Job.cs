using Dekoro.Application.Hosting;
using Dekoro.Storage;

namespace Dekoro.Application.Publication;

/// <param name="State">running, done or failed.</param>
public sealed record Job(string Id, string State, PublishProgress Progress, Published? Result)
{
    /// <summary>The site is public, and it is written down what of it.</summary>
    public static Job Done(string id, Published result)
    {
        var pages = result.Pages == 1 ? "1 page is" : $"{result.Pages} pages are";
        var next = result.NextChange is { } day ? $" It becomes another by itself on {day}." : "";
        // Mostly they were made while nobody waited: a count of none says nothing.
        var made = result.PicturesMade > 0 ? $" New files of pictures: {result.PicturesMade}." : "";
        // Pages are whole and right without it: it says why their smallest files are not there yet.
        var awaited =
            result.Awaited > 0 ? " AVIF files of its pictures are still being made and join it by themselves." : "";
        return Public(id, $"{pages} on the public site now.{made}{awaited}{next}", result);
    }

    /// <summary>The site is public, in other words than usual.</summary>
    public static Job Public(string id, string sentence, Published? result = null) =>
        new(id, "done", new(1, 1, sentence), result);

    /// <summary>Nothing went live.</summary>
    public static Job Failed(string id, string sentence) => new(id, "failed", new(0, 1, sentence), null);

    /// <summary>As it is kept.</summary>
    internal StoredJob Stored(DateTimeOffset beganAt) =>
        new(Id, State, Json.Write(Progress), Result is null ? null : Json.Write(Result), beganAt);

    internal static Job Of(StoredJob job) =>
        new(
            job.Id,
            job.State,
            Json.Read<PublishProgress>(job.Progress),
            job.Result is { } result ? Json.Read<Published>(result) : null
        );
}
