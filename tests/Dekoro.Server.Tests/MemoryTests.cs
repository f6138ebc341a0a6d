using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Dekoro.Server.Tests;

/// <summary>
/// How much memory is held. What a process holds is counted over all its threads, so nothing else runs meanwhile.
/// </summary>
[Collection(nameof(Alone))]
public sealed class MemoryTests(ServerFixture server) : IClassFixture<ServerFixture>
{
    /// <summary>Runs when all others have run.</summary>
    [CollectionDefinition(nameof(Alone), DisableParallelization = true)]
    public sealed class Alone;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_body_larger_than_its_endpoint_takes_is_refused_without_being_held_and_a_long_draft_is_taken()
    {
        using var endless = new StreamContent(new Endless(2L << 30))
        {
            Headers = { ContentType = new("application/json") },
        };
        var before = GC.GetTotalAllocatedBytes();
        using var refused = await server.Http.PostAsync("/api/files/these", endless, Stop);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, refused.StatusCode);
        Assert.InRange(GC.GetTotalAllocatedBytes() - before, 0, 40L << 20);
        var problem = await refused.Content.ReadFromJsonAsync<JsonObject>(Stop);
        Assert.EndsWith("send less at once.", (string)problem!["detail"]!, StringComparison.Ordinal);
        var page = await server.PageAsync("Long", ServerFixture.Text("x"));
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await server.PutAsync(
                    page,
                    2,
                    "Long",
                    [.. Enumerable.Range(0, 300).Select(_ => ServerFixture.Text(new string('x', 9000)))]
                )
            ).StatusCode
        );
    }

    [Fact]
    public async Task Looks_leave_nothing_behind_that_grows()
    {
        var page = await server.PageAsync(
            "Looked at",
            [
                .. Enumerable
                    .Range(0, 40)
                    .Select(i => ServerFixture.Text($"Paragraph {i} of a page that is looked at again and again.")),
            ]
        );
        var document = (await server.GetAsync($"/api/pages/{page}/draft"))["document"]!.ToJsonString();
        async Task<long> AfterAsync(int looks)
        {
            for (var i = 0; i < looks; i++)
                (
                    await server.Http.PostAsync(
                        $"/api/pages/{page}/look",
                        new StringContent(
                            $"{{\"title\":\"Looked at\",\"document\":{document}}}",
                            Encoding.UTF8,
                            "application/json"
                        ),
                        Stop
                    )
                ).EnsureSuccessStatusCode();
            GC.Collect();
            GC.WaitForPendingFinalizers();
            return GC.GetTotalMemory(forceFullCollection: true);
        }
        var (few, many) = (await AfterAsync(100), await AfterAsync(400));
        Assert.InRange(many, 0, few * 1.1 + (1 << 20));
    }

    /// <summary>So many letters, none of them held.</summary>
    private sealed class Endless(long length) : Stream
    {
        private long _left = length;
        private bool _begun;

        public override int Read(byte[] buffer, int offset, int count)
        {
            if (_left <= 0)
                return 0;
            buffer.AsSpan(offset, count).Fill((byte)'x');
            if (!_begun)
                "{\"ids\":[\""u8.CopyTo(buffer.AsSpan(offset));
            _begun = true;
            _left -= count;
            return count;
        }

        public override bool CanRead => true;
        public override bool CanSeek => false;
        public override bool CanWrite => false;
        public override long Length => throw new NotSupportedException();
        public override long Position
        {
            get => 0;
            set => throw new NotSupportedException();
        }

        public override void Flush() { }

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();
    }
}
