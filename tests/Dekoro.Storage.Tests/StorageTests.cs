using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Core.Publication;

namespace Dekoro.Storage.Tests;

public sealed class StorageTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 6, 1, 9, 0, 0, TimeSpan.Zero);
    private readonly string _folder = Directory.CreateTempSubdirectory("dekoro-storage").FullName;
    private readonly Database _database;

    public StorageTests() => _database = new Database(Path.Combine(_folder, "dekoro.db"));

    [Fact]
    public void A_draft_is_kept_only_from_the_version_it_started_from()
    {
        var pages = new Pages(_database);
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        var first = pages.Find("a")!.Version;
        Assert.Equal(first + 1, pages.SaveDraft("a", first, new("Mine", "a", "", "{}"), new("Ana", Now)));
        Assert.Null(pages.SaveDraft("a", first, new("Theirs", "a", "", "{}"), new("Ana", Now)));
        Assert.Equal("Mine", pages.Find("a")!.Title);
    }

    [Fact]
    public void What_is_written_is_told_once_by_its_last_change_and_what_is_only_read_is_not()
    {
        var (pages, touched) = (new Pages(_database), new Touched(_database));
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        pages.Add("b", "page", new("B", "b", "", "{}"), Now);
        var (number, things) = touched.Since(0);
        Assert.Equal([(Touched.Page, "a"), (Touched.Page, "b")], things);
        pages.SaveDraft("a", 1, new("A1", "a", "", "{}"), new("Ana", Now));
        pages.SaveDraft("a", 2, new("A2", "a", "", "{}"), new("Ana", Now));
        Assert.Equal([(Touched.Page, "a")], touched.Since(number).Things);
        number = touched.Last;
        Assert.Equal((number, 0), (touched.Since(number).Number, touched.Since(number).Things.Count));
        // An order that is the same already writes nothing.
        pages.Reorder(["a", "b"]);
        pages.All();
        Assert.Empty(touched.Since(number).Things);
        pages.Reorder(["b", "a"]);
        Assert.Equal(2, touched.Since(number).Things.Count);
        number = touched.Last;
        foreach (var name in new[] { Touched.Arrangement, Touched.Banner })
        {
            var table = new ContentTable(_database, name, "id");
            table.Add("x", "{}", Now);
            table.Save("x", 1, "{\"a\":1}", new("Ana", Now));
            table.TakeAway("x", Now);
            Assert.Equal([(name, "x")], touched.Since(number).Things);
            number = touched.Last;
            table.RemoveAwaySince(Now.AddDays(1));
            Assert.Equal([(name, "x")], touched.Since(number).Things);
            number = touched.Last;
        }
    }

    [Fact]
    public void What_one_person_keeps_in_one_go_is_one_state_and_the_first_of_all_is_how_it_was_before()
    {
        var (pages, states, minute) = (new Pages(_database), new PageStates(_database), TimeSpan.FromMinutes(1));
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        void Save(string title, string by, TimeSpan after, bool isNewState = false) =>
            pages.SaveDraft("a", pages.Find("a")!.Version, new(title, "a", "", "{}"), new(by, Now + after, isNewState));
        Save("A1", "Ana", minute);
        Save("A2", "Ana", 2 * minute);
        Assert.Equal(["A2", "A"], states.Of("a").Select(s => s.Title));
        Assert.Equal(
            (3, Now + minute, Now + 2 * minute),
            (states.Of("a")[0].Version, states.Of("a")[0].BeganAt, states.Of("a")[0].KeptAt)
        );
        // Another person, a new beginning by the same one, a longer while, and publishing each begin a new one.
        Save("B", "Ben", 3 * minute);
        Save("A3", "Ana", 4 * minute);
        Save("A4", "Ana", 5 * minute, isNewState: true);
        Save("A5", "Ana", 20 * minute);
        pages.MarkPublished(new Dictionary<string, string> { ["a"] = "a" }, Now + 21 * minute);
        Save("A6", "Ana", 22 * minute);
        Save("A7", "Ana", 23 * minute);
        Assert.Equal(["A7", "A5", "A4", "A3", "B", "A2", "A"], states.Of("a").Select(s => s.Title));
        Assert.Null(pages.SaveDraft("a", 1, new("Stale", "a", "", "{}"), new("Ben", Now + 30 * minute)));
        Assert.Equal(7, states.Of("a").Count);
        Assert.Equal("B", states.Find("a", states.Of("a")[4].Version)!.Title);
    }

    [Fact]
    public void Of_a_page_that_is_changed_all_the_time_the_oldest_states_go()
    {
        var (pages, states) = (new Pages(_database), new PageStates(_database));
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        for (var i = 1; i <= States.Max + 5; i++)
            pages.SaveDraft("a", i, new($"T{i}", "a", "", "{}"), new(i % 2 == 0 ? "Ana" : "Ben", Now.AddMinutes(i)));
        Assert.Equal(States.Max, states.Of("a").Count);
        Assert.Equal($"T{States.Max + 5}", states.Of("a")[0].Title);
    }

    [Fact]
    public void Only_an_address_that_was_public_is_remembered_and_whoever_has_it_now_is_meant()
    {
        var pages = new Pages(_database);
        pages.Add("a", "page", new("A", "visit", "", "{}"), Now);
        pages.Add("b", "page", new("B", "days", "", "{}"), Now);
        pages.SaveDraft("a", 1, new("A", "come", "", "{}"), new("Ana", Now));
        Assert.Empty(pages.OldAddresses());
        pages.MarkPublished(new Dictionary<string, string> { ["a"] = "a", ["b"] = "b" }, Now);
        Assert.Null(pages.SaveDraft("a", 1, new("Stale", "other", "", "{}"), new("Ana", Now)));
        Assert.Empty(pages.OldAddresses());
        pages.SaveDraft("a", 2, new("A", "come-and-see", "", "{}"), new("Ana", Now));
        Assert.Equal([("come", "a")], pages.OldAddresses());
        // Another page takes the address; given up again, it leads to that one.
        pages.SaveDraft("b", 1, new("B", "come", "", "{}"), new("Ana", Now));
        Assert.Equal([("days", "b")], pages.OldAddresses());
        pages.SaveDraft("b", 2, new("B", "days", "", "{}"), new("Ana", Now));
        Assert.Equal([("come", "b")], pages.OldAddresses());
        Assert.False(pages.ForgetAddress("come", "a"));
        Assert.True(pages.ForgetAddress("come", "b"));
        Assert.Empty(pages.OldAddresses());
    }

    [Fact]
    public void Of_many_saves_at_once_from_one_version_exactly_one_is_kept()
    {
        var pages = new Pages(_database);
        pages.Add("a", "page", new("A", "a", "", "{}"), Now);
        var kept = 0;
        Parallel.For(0, 16, i =>
        {
            if (pages.SaveDraft("a", 1, new($"T{i}", "a", "", "{}"), new("Ana", Now)) is not null)
                Interlocked.Increment(ref kept);
        });
        Assert.Equal(1, kept);
    }

    [Fact]
    public void An_address_that_is_taken_gets_a_number_and_the_order_is_as_it_was_set()
    {
        var pages = new Pages(_database);
        foreach (var id in new[] { "a", "b", "c" })
            pages.Add(id, "page", new(id, "visit", "", "{}"), Now);
        Assert.Equal(["visit", "visit-2", "visit-3"], pages.All().Select(p => p.Path));
        pages.Reorder(["c", "a"]);
        Assert.Equal(["c", "a", "b"], pages.All().Select(p => p.Id));
    }

    [Theory]
    [InlineData("lan", 2)]
    [InlineData("lantern night", 1)]
    [InlineData("NIGHT", 1)]
    [InlineData("café", 1)]
    [InlineData("cafe", 1)]
    [InlineData("\"unclosed", 0)]
    [InlineData("* OR NOT (", 0)]
    [InlineData("", 3)]
    [InlineData("lantern -night", 1)]
    [InlineData("-lan", 1)]
    [InlineData("-", 0)]
    public void Search_takes_words_and_prefixes_whatever_is_typed(string query, int found)
    {
        var assets = new Assets(_database);
        assets.Add(Asset("1", new PictureMetadata("Lantern night")));
        assets.Add(Asset("2", new PictureMetadata("Two lanterns")));
        assets.Add(Asset("3", new PictureMetadata("At the café", Description: "Tea after flying")));
        Assert.Equal(found, assets.Search(LibraryQuery.Read(query), [], 0, 10).Total);
    }

    [Theory]
    [InlineData("", "wide tall square camera")]
    [InlineData("shape:wide", "wide camera")]
    [InlineData("shape:tall", "tall")]
    [InlineData("shape:square", "square")]
    [InlineData("wider:1000", "wide")]
    [InlineData("taller:900", "tall")]
    [InlineData("unused", "tall square camera")]
    [InlineData("used", "wide")]
    [InlineData("no-alt", "square")]
    [InlineData("no-title", "camera")]
    [InlineData("soft", "camera")]
    [InlineData("credit:ANA", "tall")]
    [InlineData("folder:\"lantern nights\"", "tall square")]
    [InlineData("type:png", "square")]
    [InlineData("since:2026-06-02", "camera")]
    [InlineData("until:2026-06-01", "wide tall square")]
    [InlineData("kite folder:\"Lantern nights\" credit:ana", "tall")]
    [InlineData("colour:blue", "wide")]
    [InlineData("colour:violet", "")]
    [InlineData("by:joan", "tall")]
    [InlineData("serpent", "square")]
    [InlineData("folder:\"' OR 1=1 --\"", "")]
    public void Filters_hold_all_at_once_and_their_counts_are_what_they_would_leave(string line, string found)
    {
        var assets = new Assets(_database);
        Asset One(
            string id,
            int width,
            int height,
            PictureMetadata words,
            double edgePx = 1.5,
            PictureFormat format = PictureFormat.Jpeg,
            int day = 0
        ) =>
            Asset(id, words) is var a
                ? a with
                {
                    AddedAt = Now.AddDays(day),
                    Facts = a.Facts with
                    {
                        Size = new PixelSize(width, height),
                        EdgePx = edgePx,
                        File = a.Facts.File with { Format = format },
                    },
                }
                : a;
        assets.Add(One("wide", 1200, 600, new PictureMetadata("Wide kite", "a")) with { Colours = ["grey", "blue"] });
        assets.Add(
            One(
                "tall",
                600,
                900,
                new PictureMetadata("Tall kite", "a", Credit: "Ana Verhulst", Folder: "Lantern nights")
            ) with
            {
                AddedBy = "Joan Petrie",
                Colours = ["green"],
            }
        );
        assets.Add(
            One(
                "square",
                500,
                480,
                new PictureMetadata("Square kite", Folder: "Lantern nights", Keywords: "serpent, tail"),
                format: PictureFormat.Png
            )
        );
        assets.Add(
            One(
                "camera",
                640,
                480,
                new PictureMetadata("IMG_2041", "kite"),
                edgePx: PictureFacts.BlurredFromEdgePx,
                day: 3
            )
        );
        var query = LibraryQuery.Read(line);
        var page = assets.Search(query, ["wide"], 0, 10).Page.Select(a => a.Id).Order();
        Assert.Equal(found.Split(' ', StringSplitOptions.RemoveEmptyEntries).Order(), page);
        LibraryFilter[] further =
        [
            new(FilterKind.Shape, "tall"),
            new(FilterKind.Unused),
            new(FilterKind.NoTitle),
            new(FilterKind.Soft),
            new(FilterKind.NoAlt),
        ];
        var counts = assets.Search(query, ["wide"], 0, 10, further).Counts;
        foreach (var (filter, count) in further.Zip(counts))
            Assert.Equal(
                assets.Search(query with { Filters = query.Filters.Add(filter) }, ["wide"], 0, 10).Total,
                count
            );
    }

    [Fact]
    public void Changed_words_are_found_and_the_old_ones_are_not()
    {
        var assets = new Assets(_database);
        assets.Add(Asset("1", new PictureMetadata("Lantern")));
        Assert.True(assets.Change("1", 1, new PictureMetadata("Serpent"), null, false));
        Assert.False(assets.Change("1", 1, new PictureMetadata("Box"), null, false));
        Assert.Equal(
            (0L, 1L),
            (
                assets.Search(LibraryQuery.Read("lantern"), [], 0, 9).Total,
                assets.Search(LibraryQuery.Read("serp"), [], 0, 9).Total
            )
        );
        Assert.Equal("Serpent", assets.Find("1")!.Facts.Metadata.Title);
    }

    [Fact]
    public void All_facts_of_a_picture_come_back_as_they_went_in()
    {
        var asset = Asset(
            "1",
            new PictureMetadata("a", "b", "c", "d", "e", "f", "g"),
            new FocalRegion(0.1, 0.2, 0.3, 0.4)
        );
        new Assets(_database).Add(asset);
        Assert.Equal(asset, new Assets(_database).Find("1"));
    }

    [Fact]
    public void Edges_are_told_once_and_only_of_the_version_that_is_in_use()
    {
        var assets = new Assets(_database);
        assets.Add(
            Asset("1", new PictureMetadata("Kite")) with
            {
                Facts = Asset("1", new("Kite")).Facts with { EdgePx = null },
            }
        );
        Assert.Equal("1", Assert.Single(assets.Unmeasured()).Id);
        assets.TellEdges("1", edition: 3, 7);
        Assert.Null(assets.Find("1")!.Facts.EdgePx);
        assets.TellEdges("1", edition: 0, 7);
        Assert.Equal(7, assets.Find("1")!.Facts.EdgePx);
        Assert.Empty(assets.Unmeasured());
    }

    [Fact]
    public void Colours_are_told_once_and_a_search_is_kept_under_one_name_whatever_its_letters()
    {
        var (assets, searches) = (new Assets(_database), new KeptSearches(_database));
        assets.Add(Asset("1", new PictureMetadata("Kite")));
        Assert.Equal("1", Assert.Single(assets.Colourless()).Id);
        assets.TellColours("1", []);
        Assert.Empty(assets.Colourless());
        searches.Keep(new("Winter", "lantern"));
        searches.Keep(new("winter", "lantern unused"));
        Assert.Equal("lantern unused", Assert.Single(searches.All()).Line);
        Assert.True(searches.Forget("WINTER"));
        Assert.False(searches.Forget("WINTER"));
    }

    [Fact]
    public async Task A_file_is_kept_under_its_hash_once_and_what_nothing_records_waits_in_quarantine()
    {
        var files = new FileStore(Path.Combine(_folder, "originals"));
        var first = await files.ReceiveAsync(new MemoryStream([1, 2, 3]), 100, TestContext.Current.CancellationToken);
        var again = await files.ReceiveAsync(new MemoryStream([1, 2, 3]), 100, TestContext.Current.CancellationToken);
        Assert.Equal(first.Sha256, again.Sha256);
        Assert.Equal([1, 2, 3], File.ReadAllBytes(files.Keep(first)));
        files.Keep(again);
        var stray = files.Keep(
            await files.ReceiveAsync(new MemoryStream([9]), 100, TestContext.Current.CancellationToken)
        );
        var quarantine = new Quarantine(Path.Combine(_folder, "quarantine"));
        Assert.Equal(1, files.SetApart(new HashSet<string> { first.Sha256 }, quarantine, Now));
        Assert.False(File.Exists(stray));
        var apart = Assert.Single(quarantine.All());
        Assert.Equal((1L, Now), (apart.Bytes, apart.Since));
        Assert.Equal([9], File.ReadAllBytes(quarantine.PathOf(apart)));
        Assert.True(File.Exists(files.PathOf(first.Sha256)));
    }

    [Theory]
    [InlineData("../../etc/passwd")]
    [InlineData("/etc/passwd")]
    [InlineData("")]
    public void No_path_is_ever_made_from_something_that_is_not_a_hash(string name) =>
        Assert.ThrowsAny<ArgumentException>(() => new FileStore(Path.Combine(_folder, "originals")).PathOf(name));

    [Fact]
    public void A_database_opens_again_with_all_that_was_written()
    {
        new Pages(_database).Add("a", "page", new("A", "a", "", "{}"), Now);
        _database.Dispose();
        using var again = new Database(Path.Combine(_folder, "dekoro.db"));
        Assert.Equal("A", new Pages(again).Find("a")!.Title);
        Assert.True(again.SchemaVersion() >= 1);
    }

    [Fact]
    public void A_version_is_used_everywhere_goes_back_whole_and_its_number_is_never_given_again()
    {
        var (assets, editions) = (new Assets(_database), new Editions(_database));
        assets.Add(Asset("1", new PictureMetadata("Kite"), new FocalRegion(0.1, 0.1, 0.3, 0.3)));
        Edition Version(Edits edits) =>
            new(
                0,
                edits,
                edits.SizeOf(new(30, 20)),
                new BytesModel(3, 1.5),
                0.7,
                new FocalRegion(0.5, 0.5, 0.2, 0.2),
                false,
                Now
            );
        var (turned, lit) = (Edits.None.Turned(), Edits.None.Turned().Adjusted(Adjustments.Of(light: 12)));
        Assert.Equal(1, editions.Use(assets.Find("1")!, Version(turned), null, Now));
        var now = assets.Find("1")!;
        Assert.Equal(
            (turned, 1, new PixelSize(20, 30), new PixelSize(30, 20)),
            (now.Edits, now.Facts.Edition, now.Facts.Size, now.OriginalSize)
        );
        // A later state of the same work takes its place under a number of its own.
        Assert.Equal(2, editions.Use(now, Version(lit), 1, Now));
        Assert.Equal([0, 2], editions.Of("1").Select(e => e.Number));
        // Back to the original: its size and its hand-drawn keep area are there again.
        var original = editions.Find("1", 0)!;
        Assert.Equal(0, editions.Use(assets.Find("1")!, original, null, Now));
        now = assets.Find("1")!;
        Assert.Equal(
            (Edits.None, new PixelSize(30, 20), new FocalRegion(0.1, 0.1, 0.3, 0.3), true),
            (now.Edits, now.Facts.Size, now.Facts.Keep!.Value, now.KeepByHand)
        );
        Assert.Equal(3, editions.Use(now, Version(turned.Mirrored()), null, Now));
        // From a state that has gone, nothing is kept.
        Assert.Null(editions.Use(now, Version(turned), null, Now));
        Assert.Equal(2, editions.Use(assets.Find("1")!, editions.Find("1", 2)!, null, Now));
    }

    public void Dispose()
    {
        _database.Dispose();
        Directory.Delete(_folder, recursive: true);
    }

    [Fact]
    public void Of_many_pictures_given_an_address_at_once_none_gets_another_s_and_those_away_keep_theirs()
    {
        var assets = new Assets(_database);
        var ids = Enumerable.Range(0, 12).Select(i => $"k{i:00}").ToList();
        foreach (var id in ids)
            assets.Add(Asset(id, new PictureMetadata("Kite")));
        void Give(string id, Func<IReadOnlySet<string>, string>? choose)
        {
            var now = assets.Find(id)!;
            Assert.True(assets.Change(id, now.Version, now.Facts.Metadata, null, false, new AddressChange(choose)));
        }
        Give(ids[0], taken => OwnAddress.For(assets.Find(ids[0])!.Facts, taken));
        assets.TakeAway(ids[0], Now);
        var facts = ids.ToDictionary(id => id, id => assets.Find(id)!.Facts);
        Parallel.ForEach(ids.Skip(1), id => Give(id, taken => OwnAddress.For(facts[id], taken)));
        var given = ids.Select(id => assets.Find(id)!.OwnAddress).ToList();
        Assert.Equal(12, given.Distinct().Count());
        Assert.DoesNotContain(null, given);
        // Only what is in the library is on the public site.
        Assert.Equal(ids.Skip(1), assets.WithOwnAddress().Select(a => a.Id).Order());
        Give(ids[3], null);
        Assert.Null(assets.Find(ids[3])!.OwnAddress);
    }

    [Fact]
    public void An_address_moves_only_to_a_picture_that_has_none()
    {
        var assets = new Assets(_database);
        foreach (var id in new[] { "a", "b", "c" })
            assets.Add(Asset(id, new PictureMetadata("Kite")));
        void Give(string id) =>
            Assert.True(
                assets.Change(
                    id,
                    assets.Find(id)!.Version,
                    new PictureMetadata("Kite"),
                    null,
                    false,
                    new AddressChange(_ => $"pictures/{id}.jpg")
                )
            );
        bool Merge(string from, string into) =>
            assets.Merge(
                (from, assets.Find(from)!.Version),
                (into, assets.Find(into)!.Version),
                new PictureMetadata("Kite"),
                _ => true,
                Now
            );
        Give("a");
        Assert.True(Merge("a", "b"));
        Assert.Equal((null, "pictures/a.jpg"), (assets.Find("a")!.OwnAddress, assets.Find("b")!.OwnAddress));
        Give("c");
        Assert.True(Merge("b", "c"));
        Assert.Equal(
            ("pictures/a.jpg", "pictures/c.jpg"),
            (assets.Find("b")!.OwnAddress, assets.Find("c")!.OwnAddress)
        );
        // One that is away already is not made one with another, and nothing is done by halves.
        Assert.False(Merge("a", "c"));
    }

    [Fact]
    public void Words_of_own_columns_are_kept_in_any_script_and_searched_by_their_beginnings()
    {
        var assets = new Assets(_database);
        var own = CustomFields.Of(
            new Dictionary<string, string>
            {
                ["Maker"] = "Łucja “Dune” Öz",
                ["場所"] = "凧 倉庫",
                ["Note"] = "a\\b\n'c'",
            }
        );
        assets.Add(Asset("a", new PictureMetadata("Kite") { Own = own }));
        Assert.Equal(own, assets.Find("a")!.Facts.Metadata.Own);
        foreach (var word in new[] { "łucj", "dune", "凧" })
            Assert.Equal(1, assets.Search(LibraryQuery.Read(word), [], 0, 9).Total);
        Assert.True(assets.Change("a", 1, new PictureMetadata("Kite"), null, false));
        Assert.Equal(0, assets.Search(LibraryQuery.Read("łucj"), [], 0, 9).Total);
    }

    [Fact]
    public async Task Many_more_readers_than_are_let_in_at_once_all_come_to_their_end_beside_a_writer()
    {
        var assets = new Assets(_database);
        assets.Add(Asset("a", new PictureMetadata("Kite")));
        var reading = Enumerable
            .Range(0, 40)
            .Select(_ => Task.Run(() => assets.Search(LibraryQuery.Read("kite"), [], 0, 9).Total))
            .ToList();
        for (var i = 0; i < 10; i++)
            assets.Change("a", i + 1, new PictureMetadata($"Kite {i}"), null, false);
        Assert.All(await Task.WhenAll(reading), total => Assert.Equal(1, total));
        // One that fails lets the next one in.
        for (var i = 0; i < 9; i++)
            Assert.Throws<InvalidOperationException>(() =>
                _database.Read<int>(_ => throw new InvalidOperationException())
            );
        Assert.Equal("Kite 9", assets.Find("a")!.Facts.Metadata.Title);
    }

    private static Asset Asset(string id, PictureMetadata words, FocalRegion? keep = null) =>
        new(
            new PictureFacts(
                id,
                new(id + ".jpg", PictureFormat.Jpeg, true, 1, 12),
                new PixelSize(30, 20),
                new BytesModel(1, 2),
                0.5,
                keep,
                words
            )
            {
                IsKeepDrawn = keep is not null,
            },
            new string('a', 63) + id,
            new string('b', 63) + id,
            "RGB",
            "2026-05-04",
            Now,
            1,
            new PixelSize(30, 20),
            Edits.None
        );
}
