using Kalypto.Application.Handover;
using Kalypto.Core.Handover;
using Kalypto.Store;
using Kalypto.Web.Doors;

namespace Kalypto.Web.Endpoints;

/// <summary>Screens put together from what was delivered, as a device shows them.</summary>
internal static class DeviceEndpoints
{
    private const double MostDensity = 4;

    public static void MapDevices(this RouteGroupBuilder project)
    {
        project.MapGet("/deliveries/{number:int}/device/{design:int}/{screen:int}/screen.html", async (Entry entry, int number, int design, int screen, double? density, string? platform, OpenDelivery deliveries, PutTogether together, HttpResponse response, CancellationToken cancel) =>
        {
            var at = $"/projects/{entry.Author.Project}/deliveries/{number}/device";
            if (await deliveries.LoadAsync(entry.Author.Project, number, cancel) is not { } delivered || await together.RunAsync(delivered, design, screen, platform ?? "web", Math.Clamp(density ?? 1, 1, MostDensity),
                file => $"{at}/file?path={Uri.EscapeDataString(file.Path)}", cancel) is not { } shown)
            {
                return Results.NotFound();
            }
            // It lies in a frame of our own page, and is nothing but looked at.
            response.Headers.ContentSecurityPolicy = "default-src 'none'; img-src 'self'; font-src 'self'; style-src 'unsafe-inline'; form-action 'none'; base-uri 'none'; frame-ancestors 'self'";
            var fonts = shown.Fonts.Select(f => new DeviceFont(f.Family, f.Font, $"{at}/fonts/{f.Font.Sha256}?drawn={Uri.EscapeDataString(f.Drawn)}"));
            return Results.Text(DeviceDocument.Write(shown.Name, shown.Width, shown.Height, shown.Parts, fonts), "text/html; charset=utf-8");
        });
        project.MapGet("/deliveries/{number:int}/device/file", async (Entry entry, int number, string path, OpenDelivery deliveries, IBlobs blobs, HttpRequest request, HttpResponse response, CancellationToken cancel) =>
            await deliveries.LoadAsync(entry.Author.Project, number, cancel) is { } delivered && delivered.Files.GetValueOrDefault(path) is { } file && MaySee(entry, request, delivered, path) ? await DeliveryEndpoints.FileAsync(blobs, file, response, cancel) : Results.NotFound());
        project.MapGet("/deliveries/{number:int}/device/fonts/{sha256}", async (Entry entry, int number, string sha256, string? drawn, OpenDelivery deliveries, PutTogether together, HttpResponse response, CancellationToken cancel) =>
        {
            if (await deliveries.LoadAsync(entry.Author.Project, number, cancel) is not { } delivered || await together.FontAsync(delivered, drawn ?? "", sha256, cancel) is not { } font)
            {
                return Results.NotFound();
            }
            PictureEndpoints.OnlySeen(response);
            return Results.Stream(font, "font/ttf");
        });
    }

    // Guests look at screens and download nothing: theirs are the pictures that a screen shows, inside its frame alone.
    private static bool MaySee(Entry entry, HttpRequest request, Delivered delivered, string path) => entry.Access.Role >= Role.Developer
        || request.Headers["Sec-Fetch-Dest"] == "image" && delivered.ShownPaths.Contains(path);
}
