using Kalypto.Application.Packs;
using Kalypto.Core.Formats;
using Kalypto.Store;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Pictures of screens and layers for the pages, and the finished files.</summary>
internal static class PictureEndpoints
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    // One transparent pixel, for layers with nothing to see.
    private static readonly byte[] Nothing = Convert.FromBase64String(
        "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==");

    /// <summary>Pictures of what a project draws.</summary>
    public static void MapPictures(this RouteGroupBuilder project)
    {
        project.MapGet("/{design:int}/screen/{screen:int}.png", (Entry entry, int design, int screen, int? draft, LayerPictures pictures, HttpResponse response, CancellationToken cancel) =>
            PictureAsync(patience => pictures.ScreenAsync(entry.Author.Project, design, screen, draft, patience), response, cancel));
        project.MapGet("/{design:int}/board.png", (Entry entry, int design, LayerPictures pictures, HttpResponse response, CancellationToken cancel) =>
            PictureAsync(patience => pictures.BoardAsync(entry.Author.Project, design, patience), response, cancel));
        project.MapGet("/{design:int}/layer/{ordinal:int}.png", (Entry entry, int design, int ordinal, int? draft, bool? sample, LayerPictures pictures, HttpResponse response, CancellationToken cancel) =>
            PictureAsync(patience => pictures.LayerAsync(entry.Author.Project, design, ordinal, draft, sample == true, patience), response, cancel));
        // Found by a hash of the content, so only by an address that a page of this project handed out.
        project.MapGet("/proofs/{key}.png", async (Entry entry, string key, string? s, ProofStore proofs, HttpResponse response, CancellationToken cancel) =>
            PictureSeal.Holds(entry.Author.Project, key, s) && await proofs.MarksAsync(key, cancel) is { } png ? Keep(response, png) : Results.NotFound());
        project.MapGet("/files/{name}", async (Entry entry, string name, string? s, DrawingStore store, HttpResponse response, CancellationToken cancel) =>
            name.Length is > 64 and < 72 && Format.All.FirstOrDefault(f => f.Extension == name[64..]) is { } format && PictureSeal.Holds(entry.Author.Project, name[..64], s) && await store.BytesAsync(name[..64], cancel) is { } bytes
                ? Keep(response, bytes, format.MediaType) : Results.NotFound());
    }

    /// <summary>A picture, with patience for one that is drawn first.</summary>
    public static async Task<IResult> PictureAsync(Func<CancellationToken, Task<LayerPictures.Answer>> draw, HttpResponse response, CancellationToken cancel)
    {
        using var patience = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        patience.CancelAfter(Patience);
        try
        {
            var answer = await draw(patience.Token);
            return !answer.IsThere ? Results.NotFound() : answer.Png is { } png ? Keep(response, png) : Results.Bytes(Nothing, "image/png");
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return Results.StatusCode(StatusCodes.Status503ServiceUnavailable);
        }
    }

    /// <summary>The address carries a key of the content, so what was sent once never changes.</summary>
    private static IResult Keep(HttpResponse response, byte[] bytes, string mediaType = "image/png")
    {
        OnlySeen(response);
        return Results.Bytes(bytes, mediaType);
    }

    /// <summary>What is handed out never changes under its address, and may do nothing but be seen.</summary>
    public static void OnlySeen(HttpResponse response)
    {
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        // A drawing of shapes that is opened by itself may do nothing but be seen.
        response.Headers.ContentSecurityPolicy = "default-src 'none'; img-src data:; style-src 'unsafe-inline'; font-src data:; sandbox";
    }
}
