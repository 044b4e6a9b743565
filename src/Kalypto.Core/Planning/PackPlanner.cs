using System.Collections.Immutable;
using Kalypto.Core.Asking;
using Kalypto.Core.Checking;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Naming;
using Kalypto.Core.Packing;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;
using Kalypto.Core.Tokens;
using Kalypto.Core.Tokens.Code;

namespace Kalypto.Core.Planning;

/// <summary>Works out the pack of a project.</summary>
/// <param name="paths">Works out the files of pictures.</param>
/// <param name="looks">What was seen of an isolated layer, by its key; null when it was not drawn yet.</param>
/// <param name="keys">Tells the pictures of isolated layers apart; null where fonts never change.</param>
/// <param name="standIn">The family drawn instead of a font that is not there; null for one that is.</param>
public sealed class PackPlanner(PlannedPaths paths, Func<Fingerprint, Look?> looks, Func<string, string?>? standIn = null, DrawingKeys? keys = null)
{
    private readonly DrawingKeys keys = keys ?? DrawingKeys.WithoutFonts;

    /// <summary>What a file weighs, in bytes: an estimate until it is drawn.</summary>
    public Func<PlannedFile, long> Weight { get; init; } = WeightEstimate.Of;

    /// <summary>The name of the project, for files that say it.</summary>
    public string Project { get; init; } = "";

    /// <summary>What the project says of its tokens.</summary>
    public TokensSaid Tokens { get; init; } = TokensSaid.None;

    /// <summary>What is asked about deliveries and not settled yet.</summary>
    public IReadOnlyList<Question> Questions { get; init; } = [];

    /// <summary>What the project says of checks.</summary>
    public CheckBook CheckBook { get; init; } = CheckBook.Usual;

    /// <summary>Plans all files of all designs for the platforms.</summary>
    public Pack Plan(IReadOnlyList<DesignState> designs, IReadOnlyList<IPlatform> platforms)
    {
        var book = designs.Count > 0 ? designs[0].Recipes : RecipeBook.Usual;
        var pictures = StateCrops.Share(MadeOnce(designs, [.. designs.SelectMany(d => paths.PicturesOf(d, platforms, keys.Proven, PicturesOf))]), designs);
        var files = pictures.SelectMany(picture => paths.FilesOf(picture, platforms, book))
            .OrderBy(f => f.Path, StringComparer.Ordinal).ToImmutableArray();
        var plan = new CheckedPlan(designs, platforms, pictures, files, looks, standIn ?? (_ => null)) { Weight = Weight, HasExact = keys.HasExact, Questions = Questions };
        var (findings, suppressed) = CheckBook.Sort(Checks.All.Where(c => !CheckBook.Off.Contains(c.Id)).SelectMany(check => check.Run(plan)));
        return new(pictures, files, findings, (part, svgOf) => SideFiles(designs, platforms, part, book, svgOf)) { Suppressed = suppressed };
    }

    private ImmutableArray<SideFile> SideFiles(
        IReadOnlyList<DesignState> designs, IReadOnlyList<IPlatform> platforms, ImmutableArray<PlannedFile> files, RecipeBook book, Func<PlannedFile, string>? svgOf)
    {
        var byDesign = designs.ToDictionary(d => d.Id);
        string Written(PlannedFile file) => SvgExport.Of(
            IsolationOf(byDesign[file.Picture.Ref.Design], file.Picture), file.Source, file.Ask.Source.Width, file.Ask.Source.Height, new(file.Ground) { TakesColour = file.TakesColour });
        var written = platforms.Where(p => files.Any(f => f.Platform == p.Id)).Select(p => p.Id);
        return [.. platforms.SelectMany(p => p.SideFiles(new([.. files.Where(f => f.Platform == p.Id)], book, svgOf ?? Written) { Project = Project }))
            .Concat(TokenFiles.Of(written, TokenBook.Of(designs, Tokens), book.Code)).OrderBy(f => f.Path, StringComparer.Ordinal)];
    }

    /// <summary>The isolated drawing of a picture, with what lies beneath it where that is asked.</summary>
    private static Isolation IsolationOf(DesignState design, Picture picture) => design.Layers[picture.Ref.Ordinal] is var layer
        && picture.Making.Ground is Ground.Screen && design.Measured.ScreenOf(layer) is not null ? design.Measured.IsolateOnScreen(layer) : design.Isolate(layer);

    /// <summary>The shipped layers of a design; of one asked for in parts, what lies in it.</summary>
    private IEnumerable<Picture> PicturesOf(DesignState design, IReadOnlyList<IPlatform> platforms)
    {
        foreach (var (ordinal, mark) in design.Marks.OrderBy(m => m.Key))
        {
            if (mark.Decision != Decision.Ship || ordinal >= design.Layers.Length)
            {
                continue;
            }
            var layer = design.Layers[ordinal];
            if (design.SaidOf(layer).Tags.Parts != true)
            {
                yield return PictureOf(design, layer, platforms: platforms);
                continue;
            }
            var number = 0;
            foreach (var part in layer.Children.Where(c => !c.Guide && !c.HiddenHere && design.MarkOf(c).Decision is Decision.Open or Decision.Code))
            {
                yield return PartOf(design, layer, part, ++number, platforms);
            }
        }
    }

    private Picture PartOf(DesignState design, Layer group, Layer part, int number, IReadOnlyList<IPlatform> platforms)
    {
        var picture = PictureOf(design, part, design.SaidOf(group).Tags with { Parts = null, State = null }, platforms);
        var groupName = design.NameOf(group);
        var name = design.OwnNameOf(part) ?? $"{groupName} {number}";
        return picture with { Name = name, Words = NameWords.Split(name), NameIsTyped = design.MarkOf(part).ShipName is not null, PartOf = new(design.Id, group.Ordinal) };
    }

    /// <summary>
    /// Of a drawing that ships in several places, one picture for all that are called alike: the same by people, or only by
    /// what a program or a copy made of the name. What people named, tagged or put into a folder by itself stays by itself.
    /// </summary>
    private static ImmutableArray<Picture> MadeOnce(IReadOnlyList<DesignState> designs, ImmutableArray<Picture> pictures)
    {
        var byDesign = designs.ToDictionary(d => d.Id);
        Fingerprint? KeyOf(Picture picture) => byDesign[picture.Ref.Design] is var design && picture.PartOf is null && picture.Making.Ground is not Ground.Screen
            && design.Layers[picture.Ref.Ordinal] is var layer && !design.MarkOf(layer).Apart && design.Measured.RepeatKeys[layer.Ordinal] is { } key
            ? Fingerprint.Of(key.Hex, design.SaidOf(layer).Tags.ToString(), $"{picture.Twin}", Numbers.Text(picture.DrawnAt)) : null;
        var shared = pictures.GroupBy(p => KeyOf(p) ?? Fingerprint.Of($"{p.Ref}")).SelectMany(same => Called(same, byDesign)).ToList();
        return shared.Count == pictures.Length ? pictures
            : [.. shared.Select(set => set is [var leader, _, ..] ? leader with { Places = [.. set.Select(p => p.Ref)] } : set[0])];
    }

    /// <summary>Pictures of one drawing by what they are called, the one that gives the name first. Those that nobody named belong to the first that has one.</summary>
    private static IEnumerable<IReadOnlyList<Picture>> Called(IEnumerable<Picture> same, Dictionary<int, DesignState> designs)
    {
        var all = same.ToList();
        if (all.Count == 1)
        {
            return [all];
        }
        string? NameOf(Picture p) => p.NameIsTyped ? string.Join('-', NameWords.Split(p.Name)) : RepeatSets.OwnName(designs[p.Ref.Design].Measured, p.Ref.Ordinal);
        var named = all.GroupBy(NameOf).Where(g => g.Key is not null).Select(g => g.OrderByDescending(p => p.NameIsTyped).ToList()).ToList();
        var unnamed = all.Where(p => NameOf(p) is null).ToList();
        if (named.Count == 0)
        {
            return [unnamed];
        }
        named[0].AddRange(unnamed);
        return named;
    }

    /// <summary>What would ship of a layer, whatever is decided on it.</summary>
    /// <param name="design">The design.</param>
    /// <param name="layer">The layer.</param>
    /// <param name="around">Tags of a group asked for in parts, that hold where the layer says nothing itself.</param>
    /// <param name="platforms">The platforms packed for.</param>
    public Picture PictureOf(DesignState design, Layer layer, Tags? around = null, IReadOnlyList<IPlatform>? platforms = null)
    {
        var mark = design.MarkOf(layer);
        var state = design.States.TryGetValue(layer, out var set) ? set.Members.First(m => m.Layer == layer).State : null;
        var making = design.MakingOf(layer, null, around);
        var isolation = design.Isolate(layer);
        var key = keys.Of(isolation);
        var screen = design.Measured.ScreenOf(layer);
        var shape = design.PointsOf(layer);
        var look = looks(key);
        var ink = look is null ? shape : look.Ink is { } seen ? design.ToPoints(seen) : null;
        var screenBox = design.ToPoints(screen?.Box ?? design.Measured.Drawing.Box);
        Crop? CropOf(Making making) => look?.Failure is null ? Crop.Of(making.Crop, making.Bleed, shape, ink, screenBox) : null;
        var crop = CropOf(making);
        var name = mark.NameOf(layer);
        ImmutableArray<Variant> variants = platforms is null ? [] : [.. platforms.Select(p =>
        {
            var own = design.MakingOf(layer, p.Id, around);
            // What lies beneath is one question for all platforms, for it changes the drawing itself.
            own = own.Ground is Ground.Screen != making.Ground is Ground.Screen ? own with { Ground = making.Ground } : own;
            return new Variant(p.Id, own, own.Crop == making.Crop && own.Bleed == making.Bleed ? crop : CropOf(own));
        })];
        var refusal = variants.Any(v => v.Making.Makes(Format.Vector)) && design.Measured.ShapeOf(layer) is { IsEmpty: false } box
            ? making.Ground is Ground.Screen ? new("it stands on what lies beneath it")
                : VectorDrawable.RefusalOf(isolation, box) is { IsText: false } own ? own
                : layer.Element.SelfAndDescendants().Any(e => e.Name is "text" or "tspan" && e.Children.OfType<TextNode>().Any(t => OutlinedText.HasEmoji(t.Text))) ? new("it has an emoji")
                : keys.BeyondOf(isolation) is [var beyond, ..] ? new($"it has {beyond}") : VectorDrawable.RefusalOf(isolation, box) : null;
        return new(
            new(design.Id, layer.Ordinal), layer.Name, screen?.Name ?? design.Name, name, mark.ShipName is not null, WordsOf(name, set, state, making.Twin),
            making, key, crop, look is null, design.DrawnAt)
        {
            State = state,
            Weights = look?.Weights,
            Label = making.Stretch is null ? null : LabelIn(design, layer),
            Written = look?.Ink is { } drawn && variants.Any(v => v.Making.Formats.Any(f => f.Format.IsVector)) ? SvgLength.Of(layer, isolation, drawn) : null,
            Credit = design.Credit,
            KeyWithGround = making.Ground is Ground.Screen && screen is not null ? keys.Of(design.Measured.IsolateOnScreen(layer)) : key,
            IsOneColour = (making.Kind == "icon" || making.Tint == true || variants.Any(v => v.Making.Tint == true)) && PaintColours.IsOne(layer),
            NoVector = refusal is { IsText: false, Why: var why } ? why : null,
            Inside = variants.Any(v => v.Making.Formats.Any(f => f.Quality is Quality.Linked))
                ? (making.Ground is Ground.Screen && screen is not null ? design.Measured.IsolateOnScreen(layer) : design.Isolate(layer)).Pictures : [],
            Variants = variants,
            Beyond = keys.BeyondOf(isolation),
            Exactly = keys.ReasonsOf(isolation),
            IsWide = isolation.IsWide,
            Wide = !making.P3 && !variants.Any(v => v.Making.P3) ? null
                : keys.WideOf(making.Ground is Ground.Screen && screen is not null ? design.Measured.IsolateOnScreen(layer) : isolation),
            IsExact = keys.IsExact(isolation),
            IsExactWithGround = making.Ground is Ground.Screen && screen is not null && keys.IsExact(design.Measured.IsolateOnScreen(layer)),
        };
    }

    private static Box? LabelIn(DesignState design, Layer layer) =>
        layer.SelfAndDescendants().Where(l => l.Content == LayerContent.Text && !l.HiddenHere).Select(design.PointsOf).OfType<Box>().Aggregate((Box?)null, (all, box) => all?.Union(box) ?? box);

    // A state is written behind the name, unless it stands there already; the normal one is the button itself.
    private static IReadOnlyList<string> WordsOf(string name, StateSet? set, string? state, Twin? twin)
    {
        var words = NameWords.Split(name);
        words = twin?.Without(words) ?? words;
        return set is null || words.Count > 1 && States.Of(words[^1]) is not null ? words : [.. set.Name, .. state == "normal" ? [] : new[] { state! }];
    }
}
