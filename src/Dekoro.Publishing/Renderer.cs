using Dekoro.Core.Choices;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Publishing.Views;
using Microsoft.AspNetCore.Components.Web;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Logging.Abstractions;

namespace Dekoro.Publishing;

/// <summary>
/// The one place where markup is made: the public page, the proof and the desk's fragments come from here.
/// </summary>
public sealed class Renderer : IAsyncDisposable
{
    private readonly ServiceProvider _services = new ServiceCollection()
        .AddSingleton<ILoggerFactory, NullLoggerFactory>()
        .BuildServiceProvider();

    /// <summary>A whole page as HTML.</summary>
    /// <param name="styleVersion">Appended to the style sheet's address, so that a new one is fetched; may be
    /// empty.</param>
    public Task<string> PageAsync(PageModel model, string styleVersion) =>
        OnceAsync(html =>
            RenderAsync<PageView>(
                html,
                new() { [nameof(PageView.Model)] = model, [nameof(PageView.StyleVersion)] = styleVersion }
            )
        );

    /// <summary>
    /// What stands at an address that a page had before: it leads on, without script, on any web server.
    /// </summary>
    public Task<string> MovedAsync(SiteFrame frame, ResolvedPage page, string root) =>
        OnceAsync(html =>
            RenderAsync<MovedView>(
                html,
                new()
                {
                    [nameof(MovedView.Frame)] = frame,
                    [nameof(MovedView.Title)] = page.Title,
                    [nameof(MovedView.Href)] = root + (page.Path.Length == 0 ? "" : page.Path + "/"),
                }
            )
        );

    /// <summary>
    /// Every block by itself, in the order of the page: what the desk draws and the phone proof shows.
    /// </summary>
    public Task<IReadOnlyList<(string BlockId, string Html)>> BlocksAsync(PageModel model) =>
        OnceAsync(html => BlocksAsync(html, model));

    private static async Task<IReadOnlyList<(string BlockId, string Html)>> BlocksAsync(
        HtmlRenderer html,
        PageModel model
    )
    {
        var blocks = new List<(string, string)>();
        foreach (var block in model.Plan.Page.Pieces)
        {
            blocks.Add(
                (
                    block.Id,
                    (
                        await RenderAsync<BlocksView>(
                            html,
                            new()
                            {
                                [nameof(BlocksView.Model)] = model,
                                [nameof(BlocksView.Blocks)] = (System.Collections.Immutable.ImmutableArray<Block>)
                                    [block],
                            }
                        )
                    ).Trim()
                )
            );
        }
        return blocks;
    }

    /// <summary>The pictures in cells and bands, each by itself.</summary>
    public Task<IReadOnlyList<(string BlockId, string Html)>> FiguresWithinAsync(PageModel model) =>
        OnceAsync(html => FiguresWithinAsync(html, model));

    private static async Task<IReadOnlyList<(string BlockId, string Html)>> FiguresWithinAsync(
        HtmlRenderer html,
        PageModel model
    )
    {
        var figures = new List<(string, string)>();
        foreach (
            var figure in model
                .Plan.Page.Document.Figures.Where(f =>
                    f.Size is not (FigureSize.Behind or FigureSize.InLine or FigureSize.InSet)
                    && model.Plan.Figures.ContainsKey(f.Id)
                )
                .ExceptBy(model.Plan.Page.Document.Blocks.Select(b => b.Id), f => f.Id)
        )
            figures.Add(
                (
                    figure.Id,
                    (
                        await RenderAsync<FigureView>(
                            html,
                            new()
                            {
                                [nameof(FigureView.Model)] = model,
                                [nameof(FigureView.Figure)] = model.Plan.Figures[figure.Id],
                            }
                        )
                    ).Trim()
                )
            );
        return figures;
    }

    /// <inheritdoc/>
    public ValueTask DisposeAsync() => _services.DisposeAsync();

    /// <summary>
    /// A renderer keeps every component that it ever drew until it is disposed of: each call has one of its own.
    /// </summary>
    private async Task<T> OnceAsync<T>(Func<HtmlRenderer, Task<T>> render)
    {
        await using var html = new HtmlRenderer(_services, NullLoggerFactory.Instance);
        return await html.Dispatcher.InvokeAsync(() => render(html));
    }

    private static async Task<string> RenderAsync<TView>(HtmlRenderer html, Dictionary<string, object?> parameters)
        where TView : IComponent =>
        (await html.RenderComponentAsync<TView>(ParameterView.FromDictionary(parameters))).ToHtmlString();
}
