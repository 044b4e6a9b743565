namespace Kalypto.Core.Designs;

/// <summary>A picture that a layer shows without being one: as the fill of a shape (SVG 1.1, 13.3), as its mask, or as a repeat of a picture.</summary>
/// <param name="Image">The picture.</param>
/// <param name="Across">How wide one px of it is drawn: in drawing units, or as a share of the shape's box.</param>
/// <param name="Down">The same for its height.</param>
/// <param name="IsByBox">True when both are shares of the shape's box.</param>
public sealed record PatternPicture(Element Image, double Across, double Down, bool IsByBox)
{
    private const int MostSteps = 8;

    /// <summary>Finds the picture that a shape or repeat shows; null when it shows none.</summary>
    /// <param name="shape">The shape or repeat.</param>
    /// <param name="find">Finds a definition by its id.</param>
    public static PatternPicture? Of(Element shape, Func<string, Element?> find)
    {
        if (shape.Name == "use")
        {
            return IsOnePicture(shape, find, MostSteps) ? Shown(shape, Matrix.Identity, find, byBox: false, MostSteps) : null;
        }
        if (shape.Style("mask") is { } mask && References.Of("mask", mask).FirstOrDefault() is { } masking && find(masking) is { Name: "mask" } by
            && by.Elements.Select(e => Shown(e, Matrix.Identity, find, by["maskContentUnits"] == "objectBoundingBox", MostSteps)).FirstOrDefault(p => p is not null) is { } masked)
        {
            return masked;
        }
        if (shape.Style("fill") is not { } fill || !References.IsReference(fill) || References.Of("fill", fill).FirstOrDefault() is not { } id)
        {
            return null;
        }
        var byBox = false;
        // A pattern may take its content and its units from another one.
        for (var step = 0; step < MostSteps && find(id) is { Name: "pattern" } pattern; step++)
        {
            byBox |= pattern["patternContentUnits"] == "objectBoundingBox";
            if (pattern.Elements.Any())
            {
                return pattern.Elements.Select(e => Shown(e, Matrix.Identity, find, byBox, MostSteps)).FirstOrDefault(p => p is not null);
            }
            if (pattern["href"] is not ['#', .. var next])
            {
                return null;
            }
            id = next;
        }
        return null;
    }

    /// <summary>px of the picture for a drawing unit, at the axis where there are fewest; null when that is not known.</summary>
    /// <param name="shape">The box of the shape.</param>
    public double? Density(Box shape)
    {
        var (across, down) = IsByBox ? (Across * shape.Width, Down * shape.Height) : (Across, Down);
        return across > 0 && down > 0 ? Math.Min(1 / across, 1 / down) : null;
    }

    private static bool IsOnePicture(Element element, Func<string, Element?> find, int left) => left > 0 && element.Name switch
    {
        "image" => true,
        "use" => element["href"] is ['#', .. var id] && find(id) is { } shown && IsOnePicture(shown, find, left - 1),
        "g" or "svg" or "symbol" or "a" => element.Elements.Where(e => e.Name is not ("defs" or "clipPath" or "mask")).ToList() is [var only] && IsOnePicture(only, find, left - 1),
        _ => false,
    };

    private static PatternPicture? Shown(Element element, Matrix around, Func<string, Element?> find, bool byBox, int left)
    {
        var placed = element["transform"] is { } transform && Matrix.Parse(transform) is { } own ? around * own : around;
        if (element.Name == "image")
        {
            var picture = EmbeddedPicture.Of(element) ?? default;
            double Of(string side, int pixels) => Numbers.Length(element[side]) is { } length && pixels > 0 ? length / pixels : 1;
            return new(element, Math.Abs(placed.A) * Of("width", picture.Width), Math.Abs(placed.D) * Of("height", picture.Height), byBox);
        }
        if (left == 0)
        {
            return null;
        }
        return element.Name switch
        {
            "use" => element["href"] is ['#', .. var id] && find(id) is { } shown ? Shown(shown, placed, find, byBox, left - 1) : null,
            "g" or "svg" or "symbol" or "a" => element.Elements.Select(e => Shown(e, placed, find, byBox, left - 1)).FirstOrDefault(p => p is not null),
            _ => null,
        };
    }
}
