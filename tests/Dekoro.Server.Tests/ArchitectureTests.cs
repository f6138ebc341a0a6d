using System.Reflection;
using System.Xml.Linq;
using Dekoro.Core.Planning;
using NetArchTest.Rules;

namespace Dekoro.Server.Tests;

public sealed class ArchitectureTests
{
    private static readonly Assembly Core = typeof(Dekoro.Core.Planning.PagePlanner).Assembly;

    [Theory]
    [InlineData("Core", "")]
    [InlineData("Imaging", "Core")]
    [InlineData("Storage", "Core")]
    [InlineData("Publishing", "Core")]
    [InlineData("Intake", "Core")]
    [InlineData("StandIns", "Imaging Intake")]
    [InlineData("Application", "Imaging Intake Publishing StandIns Storage")]
    [InlineData("Server", "Application")]
    public void Projects_depend_downward_only(string project, string on)
    {
        var file = XDocument.Load(
            Path.Combine(ServerFixture.Root, "src", $"Dekoro.{project}", $"Dekoro.{project}.csproj")
        );
        var references = file.Descendants("ProjectReference")
            .Select(r => Path.GetFileNameWithoutExtension((string)r.Attribute("Include")!)["Dekoro.".Length..]);
        Assert.Equal(
            on.Split(' ', StringSplitOptions.RemoveEmptyEntries),
            references.Where(r => r != "Core" || on == "Core").Order()
        );
    }

    /// <summary>Rooms of Core from the ground up: each sees only those before it.</summary>
    private static readonly string[] Rooms =
    [
        "Geometry",
        "Colour",
        "Calendar",
        "Responsive",
        "Typography",
        "Twins",
        "Links",
        "Editing",
        "Media",
        "Choices",
        "Arrangements",
        "Content",
        "Banners",
        "Site",
        "Delivery",
        "Layout",
        "Planning",
        "Checks",
        "Publication",
    ];

    public static TheoryData<string> EachRoom => [.. Rooms];

    [Theory]
    [MemberData(nameof(EachRoom))]
    public void A_room_of_the_core_sees_only_those_before_it(string room)
    {
        var after = Rooms.SkipWhile(r => r != room).Skip(1).Select(r => $"Dekoro.Core.{r}").ToArray();
        var result = Types
            .InAssembly(Core)
            .That()
            .ResideInNamespace($"Dekoro.Core.{room}")
            .ShouldNot()
            .HaveDependencyOnAny(after)
            .GetResult();
        Assert.True(result.IsSuccessful, $"{room}: {string.Join(", ", result.FailingTypeNames ?? [])}");
    }

    [Fact]
    public void Every_folder_of_the_core_is_a_room_with_its_place_in_the_order() =>
        Assert.Equal(
            Rooms.Order(),
            Core.GetExportedTypes().Select(t => t.Namespace!["Dekoro.Core.".Length..]).Distinct().Order()
        );

    [Fact]
    public void The_core_knows_no_server_no_database_and_no_codec()
    {
        var result = Types
            .InAssembly(Core)
            .ShouldNot()
            .HaveDependencyOnAny(
                "Microsoft.AspNetCore",
                "Microsoft.Data",
                "NetVips",
                "System.IO.File",
                "System.Net.Http",
                "Dekoro.Imaging",
                "Dekoro.Storage",
                "Dekoro.Publishing",
                "Dekoro.Server"
            )
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        Assert.All(Core.GetReferencedAssemblies(), a =>
            Assert.Matches("^(System\\.|AnyAscii|NodaTime|netstandard)", a.Name!)
        );
    }

    /// <summary>The use cases answer with what happened; what that is on the wire is said in one place.</summary>
    [Fact]
    public void The_use_cases_know_nothing_of_requests_and_answers()
    {
        var result = Types
            .InAssembly(typeof(Dekoro.Application.Publication.Publisher).Assembly)
            .ShouldNot()
            .HaveDependencyOnAny("Microsoft.AspNetCore", "Dekoro.Server")
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    /// <summary>What tells others of a change, and when it was made, is the use case's.</summary>
    [Fact]
    public void Endpoints_map_what_use_cases_answer_and_change_nothing_themselves()
    {
        var result = Types
            .InAssembly(typeof(Dekoro.Server.Hosting.Host).Assembly)
            .That()
            .ResideInNamespace("Dekoro.Server.Endpoints")
            .ShouldNot()
            .HaveDependencyOnAny("System.TimeProvider", "Dekoro.Application.Publication.BackgroundWork")
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Only_the_server_speaks_HTTP_and_only_storage_speaks_SQL()
    {
        foreach (
            var assembly in new[] { typeof(Dekoro.Imaging.Probe).Assembly, typeof(Dekoro.Publishing.Renderer).Assembly }
        )
            Assert.DoesNotContain(assembly.GetReferencedAssemblies(), a => a.Name == "Microsoft.Data.Sqlite");
        Assert.DoesNotContain(typeof(Dekoro.Storage.Pages).Assembly.GetReferencedAssemblies(), a =>
            a.Name!.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(typeof(Dekoro.Imaging.Probe).Assembly.GetReferencedAssemblies(), a =>
            a.Name!.StartsWith("Microsoft.AspNetCore", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_the_core_hands_out_cannot_be_changed()
    {
        var settable = Core.GetExportedTypes()
            .Where(t => t is { IsClass: true, IsAbstract: false })
            .SelectMany(t => t.GetProperties())
            .Where(p =>
                p.SetMethod is { IsPublic: true } set
                && !set
                    .ReturnParameter.GetRequiredCustomModifiers()
                    .Contains(typeof(System.Runtime.CompilerServices.IsExternalInit))
            );
        Assert.Empty(settable.Select(p => $"{p.DeclaringType!.Name}.{p.Name}"));
    }
}
