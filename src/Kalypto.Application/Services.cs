using Kalypto.Application.Asking;
using Kalypto.Application.Benches;
using Kalypto.Application.BringingIn;
using Kalypto.Application.Building;
using Kalypto.Application.Desk;
using Kalypto.Application.Drafts;
using Kalypto.Application.Editing;
using Kalypto.Application.Fonts;
using Kalypto.Application.Handover;
using Kalypto.Application.Keeping;
using Kalypto.Application.Library;
using Kalypto.Application.Opening;
using Kalypto.Application.Packs;
using Kalypto.Application.Pages;
using Kalypto.Application.People;
using Kalypto.Application.Places;
using Kalypto.Core.Reading;
using Kalypto.Core.Rendering;
using Kalypto.Store;
using Kalypto.Store.Asking;
using Kalypto.Store.People;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;

namespace Kalypto.Application;

/// <summary>What Kalypto is made of, for any host.</summary>
public static class Services
{
    /// <summary>Adds everything, over a database and a renderer.</summary>
    public static IServiceCollection AddKalypto(
        this IServiceCollection services, Database database, IDrawingReader reader, IRenderer renderer, DrawingOptions options, KeepingLimits? limits = null, PlaceOptions? places = null, InboxOptions? inbox = null) => services
        .AddDrawing(database, reader, renderer, options)
        .AddSingleton<EditStore>().AddSingleton<IBlobs, BlobStore>().AddSingleton<BuildStore>().AddSingleton<CleaningStore>().AddSingleton(limits ?? new()).AddSingleton(places ?? PlaceOptions.None).AddSingleton(inbox ?? InboxOptions.None)
        .AddSingleton<FontStore>().AddSingleton<KeepFonts>().AddSingleton<OpenProject>().AddSingleton<PlanPack>().AddSingleton<ProvePictures>().AddSingleton<LayerPictures>().AddSingleton<OpenDelivery>().AddSingleton<WordFonts>().AddSingleton<PutTogether>().AddSingleton<ComposePage>().AddSingleton<PairedScreens>().AddSingleton<PagesOfPack>().AddSingleton<OpenPages>().AddSingleton<DeliveredPages>().AddSingleton<QuestionStore>().AddSingleton<OpenQuestions>().AddSingleton<ChangeTokens>().AddSingleton<SinceDelivery>().AddSingleton<LookCloser>().AddHostedService<CountingService>()
        .AddSingleton<OpenDraft>().AddSingleton<HoldDraft>().AddSingleton<CompareDrafts>().AddSingleton<SortDrafts>().AddSingleton<KnownDesign>().AddSingleton<BringIn>().AddSingleton<LoadDemo>()
        .AddSingleton<EditLayers>().AddSingleton<ArrangeLayers>().AddSingleton<ArrangeScreens>().AddSingleton<DecideByRule>().AddSingleton<RenameLayers>()
        .AddSingleton<TagEffect>().AddSingleton<FixFindings>().AddSingleton<ChangeRecipes>().AddSingleton<ManageProject>().AddSingleton<ManageDesigns>().AddSingleton<ChangeChecks>()
        .AddSingleton<BenchJournal>().AddSingleton<Deliveries>().AddSingleton<RedrawnLayers>().AddSingleton<PlaceStore>().AddSingleton<MovedFiles>().AddSingleton<DeliverTo>().AddShared<FollowService>().AddSingleton<InboxStore>().AddSingleton<InboxFolders>().AddShared<InboxService>().AddSingleton<PackFiles>().AddShared<BuildPack>()
        .AddSingleton<PeopleStore>().AddSingleton<MemberStore>().AddSingleton<SessionStore>().AddSingleton<TryStore>().AddSingleton<AuditStore>().AddSingleton<InvitationStore>().AddSingleton<LinkStore>()
        .AddSingleton<Outbox>().AddSingleton<IMail>(provider => provider.GetRequiredService<Outbox>()).AddSingleton<Invite>().AddSingleton<ShareLinks>()
        .AddSingleton<LibraryStore>().AddSingleton<LibraryLooks>().AddSingleton<LookUpPicture>().AddSingleton<LayerZip>().AddSingleton<TakeFromLibrary>().AddShared<ShelveService>().AddShared<KeepingService>().AddHostedService<TrimMemoryService>();

    /// <summary>Adds what a process needs that only draws.</summary>
    public static IServiceCollection AddDrawing(this IServiceCollection services, Database database, IDrawingReader reader, IRenderer renderer, DrawingOptions options)
    {
        // Whoever has an exact engine has given it its sources already.
        services.TryAddSingleton<ISources>(new Sources(database));
        return services
        .AddSingleton(database).AddSingleton(reader).AddSingleton(renderer).AddSingleton(options)
        .AddSingleton<ProjectStore>().AddSingleton<DesignStore>().AddSingleton<DrawingStore>().AddSingleton<DrawingQueue>().AddSingleton<SignalListener>()
        .AddSingleton<DrawingCache>().AddSingleton<ProofStore>().AddShared<ProvenLayers>().AddSingleton<DrawingDesk>().AddSingleton<ProofBook>().AddSingleton<ScreenProofs>().AddSingleton<PictureProofs>().AddSingleton<Notices>().AddHostedService<SignalService>().AddHostedService<DrawingService>();
    }

    // Runs in the background, and is asked by others.
    private static IServiceCollection AddShared<T>(this IServiceCollection services)
        where T : class, Microsoft.Extensions.Hosting.IHostedService => services.AddSingleton<T>().AddHostedService(provider => provider.GetRequiredService<T>());
}
