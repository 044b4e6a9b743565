using System.Collections.Immutable;

namespace Kalypto.Core.Designs;

/// <summary>An element with an id, and the elements around it, outermost first (the root left out).</summary>
public sealed record Definition(Element Element, ImmutableArray<Element> Around);
