using Dekoro.Application.Ingest;
using Microsoft.AspNetCore.Http.Features;

namespace Dekoro.Server.Hosting;

/// <summary>How large what is sent may be.</summary>
internal static class Bodies
{
    public const long MaxJson = 1L << 20,
        MaxDraft = 16L << 20,
        MaxPasted = 40L << 20,
        MaxMail = 300L << 20,
        MaxTable = 50L << 20;

    /// <summary>Files are told by their own limits, each with a sentence of its own.</summary>
    public const long NoLimit = -1;

    /// <summary>This endpoint takes more than others.</summary>
    public static TBuilder Takes<TBuilder>(this TBuilder endpoint, long mostBytes)
        where TBuilder : IEndpointConventionBuilder => endpoint.WithMetadata(new BodyLimit(mostBytes));

    /// <summary>Holds each request to what its endpoint takes, whatever it says of its length.</summary>
    public static void UseBodyLimits(this IApplicationBuilder app) =>
        app.Use(
            async (context, next) =>
            {
                var most = context.GetEndpoint()?.Metadata.GetMetadata<BodyLimit>()?.MostBytes ?? MaxJson;
                if (most != NoLimit)
                {
                    if (context.Request.ContentLength > most)
                    {
                        await Problems
                            .Of(413, $"This is larger than the {most >> 20} MB that are taken here: send less at once.")
                            .ExecuteAsync(context);
                        return;
                    }
                    context.Request.Body = new LimitedBody(context.Request.Body, most);
                }
                if (context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } server)
                    server.MaxRequestBodySize = null;
                await next();
            }
        );

    private sealed record BodyLimit(long MostBytes);

    /// <summary>Ends with 413 where more comes than is taken.</summary>
    private sealed class LimitedBody(Stream inner, long most) : ForwardStream
    {
        private long _read;

        public override async ValueTask<int> ReadAsync(
            Memory<byte> buffer,
            CancellationToken cancellationToken = default
        )
        {
            var n = await inner.ReadAsync(buffer, cancellationToken);
            return (_read += n) <= most
                ? n
                : throw new BadHttpRequestException(
                    $"This is larger than the {most >> 20} MB that are taken here: send less at once.",
                    413
                );
        }
    }
}
