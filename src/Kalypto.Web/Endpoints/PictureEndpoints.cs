using Kalypto.Core.Designs;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.UseCases;

namespace Kalypto.Web.Endpoints;

/// <summary>Pictures of screens and layers for the pages, and the finished files.</summary>
internal static class PictureEndpoints
{
    private const int ThumbnailSide = 72;
    private const int MostScreenSide = 3000;
    private const double ScreenScale = 2;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    // One transparent pixel, for layers with nothing to see.
    private static readonly byte[] Nothing = Convert.FromBase64String(
        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==");

    public static void MapPictures(this IEndpointRouteBuilder app)
    {
        app.MapGet("/pictures/{project:int}/{design:int}/screen/{screen:int}.png", async (
            int project, int design, int screen, OpenProject open, DrawingDesk desk, DrawingStore store, HttpResponse response, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.FindScreen(design, screen) is not var (row, state, shown))
            {
                return Results.NotFound();
            }
            var side = (int)Math.Clamp(Math.Max(shown.Box.Width, shown.Box.Height) / state.DrawnAt * ScreenScale, 1, MostScreenSide);
            var job = new Jobs(workspace, desk).Quick(row, shown.Root, Isolation.Of(state.Measured.Drawing, shown.Root), shown.Box, side);
            return await PictureAsync(job, desk, store, response, cancel);
        });

        app.MapGet("/pictures/{project:int}/{design:int}/board.png", async (
            int project, int design, OpenProject open, DrawingDesk desk, DrawingStore store, HttpResponse response, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.FindDesign(design) is not var (row, state))
            {
                return Results.NotFound();
            }
            var drawn = state.Measured.Drawn;
            var side = (int)Math.Clamp(Math.Max(drawn.Box.Width, drawn.Box.Height) * ScreenScale, 1, MostScreenSide);
            return await PictureAsync(new Jobs(workspace, desk).Quick(row, drawn.Layers[0], Isolation.Of(drawn, drawn.Layers[0]), drawn.Box, side), desk, store, response, cancel);
        });
        app.MapGet("/pictures/{project:int}/{design:int}/layer/{ordinal:int}.png", async (
            int project, int design, int ordinal, OpenProject open, DrawingDesk desk, DrawingStore store, HttpResponse response, CancellationToken cancel) =>
        {
            if (await open.LoadAsync(project, cancel) is not { } workspace || workspace.FindLayer(design, ordinal) is not var (row, state, layer))
            {
                return Results.NotFound();
            }
            var jobs = new Jobs(workspace, desk);
            using var patience = Patient(cancel);
            try
            {
                var box = layer.Content == LayerContent.Screen ? state.Measured.ScreenOf(layer)?.Box ?? state.Measured.ShapeOf(layer) : (await desk.LookAsync(jobs.Look(row, state, layer), patience.Token)).Ink;
                return box is { } shown
                    ? await PictureAsync(jobs.Quick(row, layer, state.Isolate(layer), shown, ThumbnailSide), desk, store, response, cancel)
                    : Results.Bytes(Nothing, "image/png");
            }
            catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
            {
                return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
            }
        });

        app.MapGet("/pictures/files/{name}", async (string name, DrawingStore store, HttpResponse response, CancellationToken cancel) =>
            name.Length is > 64 and < 72 && Format.All.FirstOrDefault(f => f.Extension == name[64..]) is { } format && await store.BytesAsync(name[..64], cancel) is { } bytes
                ? Keep(response, bytes, format.MediaType) : Results.NotFound());
    }

    private static async Task<IResult> PictureAsync(DrawingJob job, DrawingDesk desk, DrawingStore store, HttpResponse response, CancellationToken cancel)
    {
        using var patience = Patient(cancel);
        try
        {
            var row = await desk.DrawAsync(job, patience.Token);
            return row.Sha256 is null ? Results.Bytes(Nothing, "image/png") : Keep(response, (await store.BytesAsync(job.Key, cancel))!);
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
    }

    /// <summary>The address carries a key of the content, so what was sent once never changes.</summary>
    private static IResult Keep(HttpResponse response, byte[] bytes, string mediaType = "image/png")
    {
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        // A drawing of shapes that is opened by itself may do nothing but be seen.
        response.Headers.ContentSecurityPolicy = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; font-src data:; sandbox";
        return Results.Bytes(bytes, mediaType);
    }

    private static CancellationTokenSource Patient(CancellationToken cancel)
    {
        var source = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        source.CancelAfter(Patience);
        return source;
    }
}
