using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Application.Pages;
using Kalypto.Core.Designs;
using Kalypto.Core.Pages;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>Screens as pages: what the place shows, and the pages themselves with all that lies beside them.</summary>
internal static class PageEndpoints
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    /// <summary>What the place shows of a page.</summary>
    public static void MapPages(this RouteGroupBuilder project) =>
        project.MapGet("/page/{design:int}/{screen:int}", async (Entry entry, int design, int screen, OpenPages pages, CancellationToken cancel) =>
            entry.Workspace.FindScreen(design, screen) is var (_, _, shown) && await pages.NowAsync(entry.Workspace, design, screen, cancel) is { } page
                ? Results.Ok(PageSheet.Of(entry.Workspace, design, shown, page, DrawnAt(entry, design, shown))) : Problem.NotFound("There is no such screen any more."));

    /// <summary>The pages of a project as they would come now.</summary>
    public static void MapPageFiles(this RouteGroupBuilder project) =>
        project.MapGet("/page/{design:int}/{screen:int}/clean/{**path}", async (Entry entry, int design, int screen, string? path, OpenPages pages, HttpResponse response, CancellationToken cancel) =>
            await pages.NowAsync(entry.Workspace, design, screen, cancel) is { } page ? await AnswerAsync(page, path, response, patience => pages.FileAsync(entry.Workspace, page, path!, patience), cancel) : Results.NotFound());

    /// <summary>The pages of deliveries.</summary>
    public static void MapDeliveredPages(this RouteGroupBuilder project) =>
        project.MapGet("/deliveries/{number:int}/page/{design:int}/{screen:int}/clean/{**path}", async (Entry entry, int number, int design, int screen, string? path, OpenDelivery deliveries, DeliveredPages pages, HttpResponse response, CancellationToken cancel) =>
            await deliveries.LoadAsync(entry.Author.Project, number, cancel) is { } delivered && await pages.PageAsync(delivered, design, screen, cancel) is { } page
                ? await AnswerAsync(page, path, response, patience => pages.FileAsync(delivered, page, path!, patience), cancel) : Results.NotFound());

    /// <summary>The address of the picture of a screen, other once the screen is.</summary>
    public static string DrawnAt(Entry entry, int design, Screen screen) => Links.ScreenPicture(entry.Workspace.Row.Id, design, screen.Root.Ordinal, ScreenKey.Of(entry.Workspace.FindDesign(design)!.Value.Row, screen));

    private static async Task<IResult> AnswerAsync(ComposedPage page, string? path, HttpResponse response, Func<CancellationToken, Task<(Stream Content, string MediaType)?>> file, CancellationToken cancel)
    {
        // It runs nothing and loads what lies beside it alone. It may lie in a frame of our own page.
        response.Headers.ContentSecurityPolicy = $"default-src 'none'; img-src 'self' data:; font-src 'self'; style-src 'self'{(path == "placed.html" ? " 'unsafe-inline'" : "")}; form-action 'none'; base-uri 'none'; frame-ancestors 'self'";
        response.Headers.CacheControl = "private, no-cache";
        switch (path)
        {
            case null or "" or "index.html":
                return Results.Text(page.Marked.HtmlText, "text/html; charset=utf-8");
            case "placed.html":
                return Results.Text(QuickPage.Write(page.Screen, page.Fonts), "text/html; charset=utf-8");
            case "styles.css":
                return Results.Text(page.Plain.CssText, "text/css; charset=utf-8");
        }
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        try
        {
            return await file(patience.Token) is var (content, type) ? Results.Stream(content, type) : Results.NotFound();
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
    }
}
