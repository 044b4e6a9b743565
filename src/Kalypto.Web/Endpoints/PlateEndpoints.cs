using Kalypto.Application.Handover;
using Kalypto.Application.Packs;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Store;
using Kalypto.Web.Doors;
using Kalypto.Web.Models;

namespace Kalypto.Web.Endpoints;

/// <summary>What developers ask of a plate: all of a number, and how far two lie apart. All of a delivery, which never changes.</summary>
internal static class PlateEndpoints
{
    public static void MapPlates(this RouteGroupBuilder project)
    {
        project.MapGet("/deliveries/{number:int}/plates/{design:int}/{screen:int}/{layer:int}", async (Entry entry, int number, int design, int screen, int layer, OpenDelivery deliveries, CancellationToken cancel) =>
            await deliveries.LoadAsync(entry.Author.Project, number, cancel) is { } delivered && await deliveries.PlateAsync(delivered, design, screen, cancel) is { } plate
                && PinDetail.Of(delivered, design, plate, layer, delivered.Tokens) is { } detail ? Results.Ok(entry.Access.Role >= Role.Developer ? detail : detail with { Files = [] }) : Problem.NotFound("There is no such number on this plate."));
        project.MapGet("/deliveries/{number:int}/plates/{design:int}/{screen:int}/between", async (Entry entry, int number, int design, int screen, int from, int to, OpenDelivery deliveries, CancellationToken cancel) =>
            await deliveries.LoadAsync(entry.Author.Project, number, cancel) is { } delivered && await deliveries.PlateAsync(delivered, design, screen, cancel) is { } plate
                && BoxOf(delivered, design, plate, from) is { } a && BoxOf(delivered, design, plate, to) is { } b ? Results.Ok(GapOf(Distances.Between(a, b))) : Problem.NotFound("There is no such number on this plate."));
    }

    /// <summary>Pictures of a delivery.</summary>
    public static void MapPlatePictures(this RouteGroupBuilder project)
    {
        project.MapGet("/delivered/{number:int}/{design:int}/screen/{screen:int}.png", (Entry entry, int number, int design, int screen, OpenDelivery deliveries, LayerPictures pictures, HttpResponse response, CancellationToken cancel) =>
            PictureEndpoints.PictureAsync(async patience => await deliveries.LoadAsync(entry.Author.Project, number, patience) is { } delivered && delivered.Workspace.FindDesign(design) is var (row, state)
                ? await pictures.ScreenAsync(row, state, screen, patience) : LayerPictures.Answer.NotThere, response, cancel));
        project.MapGet("/delivered/{number:int}/{design:int}/layer/{ordinal:int}.png", (Entry entry, int number, int design, int ordinal, bool? sample, OpenDelivery deliveries, LayerPictures pictures, HttpResponse response, CancellationToken cancel) =>
            PictureEndpoints.PictureAsync(async patience => await deliveries.LoadAsync(entry.Author.Project, number, patience) is { } delivered && delivered.Workspace.FindDesign(design) is var (row, state)
                ? await pictures.LayerAsync(row, state, ordinal, sample == true, patience) : LayerPictures.Answer.NotThere, response, cancel));
    }

    private static Box? BoxOf(Delivered delivered, int design, Plate plate, int layer) => plate.Pins.FirstOrDefault(p => p.Layer == layer) is { } pin ? delivered.BoxOf(design, plate, pin) : null;

    private static object GapOf(Distances.Gap gap) => new
    {
        gap.Across,
        gap.Down,
        Text = gap.Inside is var (left, top, right, bottom) ? $"inside: {N(left)} left · {N(top)} above · {N(right)} right · {N(bottom)} below"
            : string.Join(" · ", new[] { gap.Across is { } x ? $"{N(x)} across" : null, gap.Down is { } y ? $"{N(y)} down" : null }.OfType<string>() is var parts && parts.Any() ? parts : ["they overlap"]),
    };

    private static string N(double number) => Numbers.Text(number, 2);
}
