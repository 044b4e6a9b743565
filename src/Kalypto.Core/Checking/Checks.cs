namespace Kalypto.Core.Checking;

/// <summary>All checks. A new check is one file and one line here.</summary>
public static class Checks
{
    /// <summary>The checks, in no order that matters.</summary>
    public static IReadOnlyList<ICheck> All { get; } =
    [
        new SamePath(), new NameRefused(), new OtherNameThere(), new FolderRefused(), new NotNamedYet(), new LongName(),
        new HiddenShips(), new HiddenOpen(), new GuideShips(), new NothingVisible(), new NothingMade(), new PartsOfNothing(), new CannotBeDrawn(),
        new InkOutsideBox(), new PictureUnderScale(), new HalfPoints(), new UnevenIconBoxes(), new MissingStates(),
        new TextAsPicture(), new MissingFont(), new FaceMadeUp(), new FontNotEmbedded(), new TextNeedsItsFont(), new NotKeptInReading(), new OtherThanMerged(),
        new PhotoNotShipped(), new LikelyUnmarked(), new ReachesNobody(), new SameDrawingTwoNames(), new OneOfSeveral(), new OneFileForSeveral(), new Twins(),
        new CannotBeVector(), new ManyShapes(), new TransparencyLost(), new ColoursBeyondSrgb(), new OneColourPicture(), new BlendsWithNothing(), new EffectCutOff(), new OverBudget(), new DrawnTagsRefused(),
        new Asked(), new SeveralScreens(), new OffScreen(), new DrawnAtGuess(), new NeedlessOuterGroup(),
    ];

    private static readonly Dictionary<string, ICheck> ById = All.ToDictionary(c => c.Id, StringComparer.Ordinal);

    /// <summary>The check of an id; null when there is none, or not any more.</summary>
    public static ICheck? Find(string id) => ById.GetValueOrDefault(id);

    /// <summary>The check that a finding is of.</summary>
    /// <exception cref="KeyNotFoundException">There is none of that id.</exception>
    public static ICheck Of(string id) => ById[id];
}
