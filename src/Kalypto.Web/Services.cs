using Kalypto.Core.Rendering;
using Kalypto.Store;
using Kalypto.Web.Desk;
using Kalypto.Web.Endpoints;
using Kalypto.Web.Models;
using Kalypto.Web.UseCases;

namespace Kalypto.Web;

/// <summary>What Kalypto is made of, behind its pages.</summary>
public static class Services
{
    /// <summary>Adds stores, desk and use cases, over a database and a renderer.</summary>
    public static IServiceCollection AddKalypto(this IServiceCollection services, Database database, IRenderer renderer) => services
        .AddSingleton(database).AddSingleton(renderer)
        .AddSingleton<ProjectStore>().AddSingleton<DesignStore>().AddSingleton<EditStore>()
        .AddSingleton<BlobStore>().AddSingleton<DrawingStore>().AddSingleton<DrawingQueue>().AddSingleton<BuildStore>()
        .AddSingleton<DrawingCache>().AddSingleton<DrawingDesk>().AddSingleton<Notices>().AddHostedService<DrawingService>()
        .AddSingleton<OpenProject>().AddSingleton<BringIn>().AddSingleton<EditLayers>().AddSingleton<ArrangeLayers>()
        .AddSingleton<FixFindings>().AddSingleton<ChangeRecipes>().AddSingleton<LookCloser>()
        .AddSingleton<BuildPack>().AddSingleton<LoadDemo>().AddSingleton<BenchJournal>().AddSingleton<Bench>();
}
