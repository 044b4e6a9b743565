using Kalypto.Application.Library;
using Kalypto.Application.Opening;
using Kalypto.Core.Comparing;
using Kalypto.Core.Library;
using Kalypto.Core.Reading;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;
using Kalypto.Web.Wording;

namespace Kalypto.Web.Endpoints;

/// <summary>The library: looked through, looked up by a picture, fetched from, and taken from into projects.</summary>
internal static class LibraryEndpoints
{
    private const int OnePage = 120;

    private sealed record Wanted(int Design, int Lineage);

    /// <summary>Routes of no project.</summary>
    public static void MapLibrary(this IEndpointRouteBuilder app)
    {
        var library = app.Edits("/api/library").For(Need.Person);
        var files = app.MapGroup("/library").For(Need.Person);
        library.MapGet("", async (Entry entry, [AsParameters] LibraryAsk ask, LibraryStore store, CancellationToken cancel) =>
        {
            var all = await store.AllAsync(cancel, entry.Reader);
            var found = LibrarySearch.Find(all, ask.Query);
            return Results.Ok(new
            {
                Found = found.Length,
                Kinds = all.Select(l => l.Kind).Distinct().Order(StringComparer.Ordinal),
                Platforms = all.SelectMany(l => l.Platforms).Distinct().Order(StringComparer.Ordinal).Select(p => new { Id = p, Name = LibraryCard.NameOf(p) }),
                Cards = found.Skip(Math.Max(0, ask.Skip)).Take(OnePage).Select(LibraryCard.Of),
            });
        });
        library.MapGet("/{design:int}/{lineage:int}", async (Entry entry, int design, int lineage, LibraryStore store, CancellationToken cancel) =>
        {
            if (await store.FindAsync(design, lineage, cancel, entry.Reader) is not { } shown)
            {
                return NotThere();
            }
            var found = LibrarySearch.Find((await store.AllAsync(cancel, entry.Reader)).Where(l => l.Drawing == shown.Drawing), new()).First();
            // Equal drawings of one project are made once; each project has files of its own.
            var files = new List<(ShippedLayer Of, int Build, DeliveredFile File)>();
            foreach (var of in found.Places.DistinctBy(p => p.Owner))
            {
                files.AddRange((await store.FilesAsync(of.Owner, cancel)).Select(f => (of, f.Build, f.File)));
            }
            return Results.Ok(LibraryDetail.Of(found, files));
        });
        library.MapPost("/look", async (HttpRequest request, LookUpPicture look, CancellationToken cancel) =>
        {
            if (!request.HasFormContentType || await request.ReadFormAsync(cancel) is not { Files: [{ } picture, ..] })
            {
                return Problem.BadRequest("No picture came with it.");
            }
            if (picture.Length > LookUpPicture.MostBytes)
            {
                return Problem.BadRequest($"This picture has more than {LookUpPicture.MostBytes / 1_000_000} MB. Look for a smaller one.");
            }
            using var bytes = new MemoryStream();
            await picture.CopyToAsync(bytes, cancel);
            try
            {
                return await look.RunAsync(bytes.ToArray(), cancel) is { Length: > 0 } like ? Results.Ok(new { Like = string.Join(',', like) })
                    : Problem.BadRequest("Nothing is to be seen in this picture, so nothing looks like it.");
            }
            catch (DrawingRefusedException e)
            {
                return Problem.BadRequest(e.Message);
            }
        });
        files.MapGet("/pictures/{drawing}.png", async (Entry entry, string drawing, LibraryStore store, HttpResponse response, CancellationToken cancel) =>
        {
            if (await store.PictureAsync(drawing, cancel, entry.Reader) is not { } png)
            {
                return Results.NotFound();
            }
            PictureEndpoints.OnlySeen(response);
            return Results.Bytes(png, "image/png");
        });
        files.MapGet("/layers/{design:int}/{lineage:int}", async (Entry entry, int design, int lineage, LibraryStore store, OpenProject open, CancellationToken cancel) =>
            await store.FindAsync(design, lineage, cancel, entry.Reader) is not { } layer || await open.LoadAsync(layer.Project, cancel) is not { } workspace ? Results.NotFound()
                : Results.Redirect(workspace.FindDesign(design)?.Row.Lineages.OrdinalOf(lineage) is { } ordinal ? Links.Layer(workspace, new(design, ordinal)) : $"/projects/{layer.Project}"));
        files.MapGet("/layers/{design:int}/{lineage:int}.zip", async (Entry entry, int design, int lineage, LibraryStore store, LayerZip zip, HttpResponse response, CancellationToken cancel) =>
        {
            if (await store.FindAsync(design, lineage, cancel, entry.Reader) is not { } layer)
            {
                response.StatusCode = StatusCodes.Status404NotFound;
                return;
            }
            ZipAnswer.Begin(response, layer.Name, "layer");
            await zip.WriteAsync(layer, response.Body, cancel);
        });
    }

    /// <summary>Taking from the library into a project.</summary>
    public static void MapTaking(this RouteGroupBuilder project)
    {
        project.MapPost("/taken", async (Entry entry, Wanted wanted, TakeFromLibrary take, CancellationToken cancel) => Answer(await take.TakeAsync(entry.Visit, wanted.Design, wanted.Lineage, cancel)));
        project.MapPost("/designs/{design:int}/renew", async (Entry entry, int design, TakeFromLibrary take, CancellationToken cancel) => Answer(await take.RenewAsync(entry.Visit, design, cancel)));
    }

    private static IResult Answer(TakeFromLibrary.Outcome outcome) => outcome.Refusal == TakeRefusal.None ? Results.Ok(new { outcome.Design })
        : Problem.Of(StatusCodes.Status409Conflict, LibraryWords.Say(outcome.Refusal), ("design", outcome.Design));

    private static IResult NotThere() => Problem.NotFound(LibraryWords.Say(TakeRefusal.NotThere));
}
