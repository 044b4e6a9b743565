using System.Collections.Concurrent;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Core.Comparing;
using Kalypto.Core.Designs;
using Kalypto.Core.Handover;
using Kalypto.Core.Packing;
using Kalypto.Core.Tokens;
using Kalypto.Store;

namespace Kalypto.Application.Handover;

/// <summary>A delivery opened again: the project as it was said then, and what was handed over. It never changes.</summary>
/// <param name="Row">The delivery.</param>
/// <param name="Workspace">The project as it was built.</param>
/// <param name="Plan">Its pack.</param>
/// <param name="Files">The files of the delivery by path.</param>
public sealed record Delivered(BuildRow Row, Workspace Workspace, PlannedPack Plan, IReadOnlyDictionary<string, DeliveredFile> Files)
{
    private readonly Lazy<Dictionary<LayerRef, Picture>> pictures = new(() => Plan.Pack.Files.Where(f => Files.ContainsKey(f.Path)).Select(f => f.Picture).Distinct()
        .SelectMany(p => p.Places.Select(place => (place, p))).DistinctBy(p => p.place).ToDictionary(p => p.place, p => p.p));

    private readonly Lazy<ILookup<LayerRef, PlannedFile>> byPicture = new(() => Plan.Pack.Files.Where(f => Files.ContainsKey(f.Path)).ToLookup(f => f.Picture.Ref));

    private readonly Lazy<HashSet<string>> shownPaths = new(() => [.. Plan.Pack.Files.Where(f => f.BrowsersShow && Files.ContainsKey(f.Path)).Select(f => f.Path)]);

    private readonly Lazy<TokenBook> tokens = new(() => Workspace.Tokens);

    /// <summary>What the layers that are built in code share.</summary>
    public TokenBook Tokens => tokens.Value;

    /// <summary>The paths of the delivered pictures that a browser can show: what a device puts screens together from.</summary>
    public IReadOnlySet<string> ShownPaths => shownPaths.Value;

    /// <summary>The plates that were read.</summary>
    internal ConcurrentDictionary<(int Design, int Screen), Plate> Plates { get; } = new();

    /// <summary>The picture that a layer was delivered as; null for one that was not.</summary>
    public Picture? PictureOf(LayerRef layer) => pictures.Value.GetValueOrDefault(layer);

    /// <summary>Where what a number means lies on its screen, in pt: of a picture, where the delivered files are to be put; null for what is not seen.</summary>
    public Box? BoxOf(int design, Plate plate, Pin pin)
    {
        if (pin.Places.IsEmpty)
        {
            return null;
        }
        return PlaceOf(design, plate.Screen, pin.Layer) ?? plate.Values.GetValueOrDefault(pin.Layer)?.Box ?? pin.Places[0];
    }

    /// <summary>Where the delivered files of a layer are to be put on its screen, in pt; null for a layer that is in no picture.</summary>
    public Box? PlaceOf(int design, Screen screen, int ordinal)
    {
        if (Workspace.FindLayer(design, ordinal) is not var (_, state, shown) || state.PointsOf(shown) is not { } here || PictureOf(new(design, ordinal)) is not { Crop: { } crop } picture
            || Workspace.FindLayer(picture.Ref.Design, picture.Ref.Ordinal) is not var (_, owner, layer) || owner.PointsOf(layer) is not { } made)
        {
            return null;
        }
        var corner = state.ToPoints(screen.Box);
        return crop.Box with { X = crop.Box.X - made.X + here.X - corner.X, Y = crop.Box.Y - made.Y + here.Y - corner.Y };
    }

    /// <summary>The parts of a screen that developers get, from the bottom to the top.</summary>
    public IEnumerable<ShownPart> PartsOf(int design, Screen screen) => Workspace.FindDesign(design) is var (_, state) ? ShownParts.Of(state, screen, layer => PictureOf(new(design, layer.Ordinal))?.Ref) : [];

    /// <summary>The delivered files of a picture.</summary>
    public IEnumerable<PlannedFile> FilesOf(Picture picture) => byPicture.Value[picture.Ref];
}
