using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Media;
using Dekoro.Core.Planning;
using Dekoro.Publishing;
using Dekoro.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace Dekoro.Bench;

/// <summary>
/// A club's site of some years: posts of 480 words and six pictures, of which every tenth stands on two.
/// </summary>
internal static class Club
{
    private const int PicturesOnEach = 6,
        OwnOfEach = 5;

    private static readonly string[] Words =
        "wind sand kite line reel dune lantern pier bowline spar tail harbour evening museum weave paper".Split(' ');

    public static string PostId(int i) => string.Create(CultureInfo.InvariantCulture, $"post{i:00000}");

    private static string PictureId(int i) => string.Create(CultureInfo.InvariantCulture, $"{i:x12}");

    /// <param name="photograph">Stands for every picture; null where no original is ever read.</param>
    public static void Fill(Workspace workspace, int posts, string? photograph = null)
    {
        var size = photograph is null
            ? (PixelSize?)null
            : Dekoro.Imaging.Probe.Read(photograph, PictureFormat.Jpeg).Size;
        for (var i = 0; i < posts * OwnOfEach; i++)
        {
            var picture = PictureOf(i, size);
            workspace.Assets.Add(picture);
            if (photograph is null)
                continue;
            Directory.CreateDirectory(Path.GetDirectoryName(workspace.PathOf(picture))!);
            File.CreateSymbolicLink(workspace.PathOf(picture), photograph);
        }
        for (var i = 0; i < 5; i++)
            workspace.Pages.Add(
                $"page{i}",
                "page",
                new($"Page {i}", i == 0 ? "" : $"page-{i}", "", DocumentOf(i, posts)),
                Now
            );
        for (var i = 0; i < posts; i++)
            workspace.Pages.Add(
                PostId(i),
                "post",
                new($"Post {i}", $"post-{i}", "A summary.", DocumentOf(i, posts)),
                Now
            );
        foreach (var page in workspace.Pages.All())
            workspace.Pages.Switch(page.Id, true);
    }

    /// <summary>
    /// Every file that the plans ask for, of bytes without meaning: what is measured is not the encoders.
    /// </summary>
    public static int MakeFiles(PlanningContext planning, Workspace workspace, RenditionMaker maker)
    {
        var random = new Random(7);
        var facts = planning.Facts();
        var planned = planning
            .PublicPages()
            .SelectMany(row => PagePlanner.Plan(planning.PageOf(row), facts).Figures.Values.SelectMany(f => f.Files))
            .Distinct()
            .ToList();
        var assets = workspace.Assets.FindMany([.. planned.Select(f => f.AssetId).Distinct()]).ToDictionary(a => a.Id);
        var made = new List<MadeFile>();
        foreach (var file in planned)
        {
            var name = maker.NameOf(assets[file.AssetId], file);
            var bytes = new byte[random.Next(4_000, 12_000)];
            random.NextBytes(bytes);
            Directory.CreateDirectory(Path.GetDirectoryName(maker.PathOf(name))!);
            File.WriteAllBytes(maker.PathOf(name), bytes);
            made.Add(new(name, bytes.Length, Convert.ToHexStringLower(SHA256.HashData(bytes))));
        }
        workspace.MadeFiles.Record(made, DateOnly.FromDateTime(DateTime.UtcNow));
        return made.Count;
    }

    /// <summary>All plans of the site, for the rival that does nothing but write them.</summary>
    public static List<PagePlan> Plans(PlanningContext planning)
    {
        var facts = planning.Facts();
        return [.. planning.PublicPages().Select(row => PagePlanner.Plan(planning.PageOf(row), facts))];
    }

    public static async Task WritePagesAsync(List<PagePlan> plans, IServiceProvider services, string folder)
    {
        var (planning, workspace) = (
            services.GetRequiredService<PlanningContext>(),
            services.GetRequiredService<Workspace>()
        );
        var maker = services.GetRequiredService<RenditionMaker>();
        await using var renderer = new Renderer();
        var frame = planning.Frame();
        var assets = workspace.Assets.FindMany([.. plans.SelectMany(p => p.Assets).Distinct()]).ToDictionary(a => a.Id);
        var addresses = new PlannedAddresses("media/", assets, maker);
        foreach (var plan in plans)
        {
            var html = await renderer.PageAsync(
                new PageModel(plan, frame, addresses, PageModel.RootOf(plan.Page.Path), IsProof: false),
                "?0"
            );
            await File.WriteAllTextAsync(Path.Combine(folder, plan.Page.Id + ".html"), html);
        }
    }

    public static string DocumentOf(int i, int posts, string more = "")
    {
        var random = new Random(i);
        var content = new List<string>();
        for (var p = 0; p < PicturesOnEach; p++)
        {
            var words = string.Join(' ', Enumerable.Range(0, 80).Select(_ => Words[random.Next(Words.Length)]));
            content.Add(
                $$"""{"type":"paragraph","attrs":{"id":"p{{p}}"},"""
                    + $$"""  "content":[{"type":"text","text":"{{words}}{{more}}"}]}"""
            );
            var picture = p < OwnOfEach ? i * OwnOfEach + p : (i / 10 * 10 * OwnOfEach);
            var size =
                p % 3 == 0 ? "column"
                : p % 3 == 1 ? "third"
                : "half";
            var asset = PictureId(picture % (posts * OwnOfEach));
            content.Add(
                $$"""{"type":"figure","attrs":{"id":"f{{p}}","asset":"{{asset}}","size":"{{size}}","""
                    + "\"side\":\"right\",\"beside\":true,\"captionSource\":\"none\"}}"
            );
        }
        return $$"""{"type":"doc","content":[{{string.Join(',', content)}}]}""";
    }

    private static DateTimeOffset Now => new(2026, 11, 1, 8, 0, 0, TimeSpan.Zero);

    private static Asset PictureOf(int i, PixelSize? given)
    {
        var size = given ?? new PixelSize(2400 + i % 7 * 200, 1600 + i % 5 * 100);
        var hash = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"picture {i}")));
        return new Asset(
            new PictureFacts(
                PictureId(i),
                new($"picture-{i}.jpg", PictureFormat.Jpeg, false, 1, size.Area / 4),
                size,
                new BytesModel(0.1, 0.8),
                0.8,
                new FocalRegion(0.3, 0.3, 0.3, 0.3),
                new PictureMetadata($"Picture {i}", $"A kite, the {i}th", "", "")
            ),
            hash,
            hash,
            "RGB",
            null,
            Now.AddMinutes(i),
            1,
            size,
            Edits.None,
            Colours: ["blue", "grey"]
        );
    }
}
